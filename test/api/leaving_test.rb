# frozen_string_literal: true

require "puma"
require "puma/server"
require_relative "../test_helper"
require_relative "../support/database"

# A browser that goes away takes its statement with it.
class LeavingTest < Minitest::Test
  include TestDatabase

  MARK = "SELECT pg_sleep(120), 'asked by one who left'"

  def test_the_statement_of_one_who_left_is_ended
    ended = Queue.new
    with_server(lambda { ended << statement }) do |port|
      leaver = TCPSocket.new("127.0.0.1", port)
      leaver.write("GET / HTTP/1.1\r\nHost: localhost\r\n\r\n")
      Thread.pass until running?
      leaver.close
      assert_kind_of ActiveRecord::QueryCanceled, ended.pop
      refute running?
    end
  end

  def test_who_waits_is_answered
    with_server(-> { IronTrellis::Store::Postgres::Sql.rows("SELECT 1 AS one FROM pg_sleep(0.6)") }) do |port|
      assert_equal "200", Net::HTTP.get_response(URI("http://127.0.0.1:#{port}/")).code
    end
  end

  private

  def statement
    ActiveRecord::Base.connection.execute(MARK)
  rescue ActiveRecord::QueryCanceled => error
    error
  end

  def running?
    ActiveRecord::Base.connection.select_value(
      "SELECT count(*) FROM pg_stat_activity WHERE query LIKE '%asked by one who left%' AND state = 'active' " \
      "AND pid <> pg_backend_pid()"
    ).positive?
  end

  def with_server(work)
    app = lambda do |_env|
      work.call
      [200, {"content-type" => "text/plain"}, ["done"]]
    ensure
      ActiveRecord::Base.connection_handler.clear_active_connections!
    end
    server = Puma::Server.new(IronTrellis::Api::Http::Leaving.new(app), nil, {log_writer: Puma::LogWriter.null})
    port = server.add_tcp_listener("127.0.0.1", 0).local_address.ip_port
    server.run
    yield port
  ensure
    server&.stop(true)
  end
end

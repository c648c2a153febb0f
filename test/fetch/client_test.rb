# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

class ClientTest < Minitest::Test
  Fetch = IronTrellis::Fetch
  Url = IronTrellis::Core::Url

  ANSWERS = {
    "/plain" => "HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nX-A: 1\r\nx-a:2\r\nContent-Length: 5\r\n\r\nhello",
    "/chunked" => "HTTP/1.1 200 OK\r\nTransfer-Encoding: chunked\r\n\r\n3\r\nhel\r\n2\r\nlo\r\n0\r\n\r\n",
    "/gzip" =>
      "HTTP/1.1 200 OK\r\nContent-Encoding: " \
      "gzip\r\nContent-Length: #{Zlib.gzip("hello" * 20).bytesize}\r\n\r\n#{Zlib.gzip("hello" * 20)}",
    "/raw-deflate" =>
      "HTTP/1.1 200 OK\r\nContent-Encoding: deflate\r\nConnection: " \
      "close\r\n\r\n#{Zlib::Deflate.new(nil, -15).deflate("hello" * 20, Zlib::FINISH)}",
    "/empty" => "HTTP/1.1 204 No Content\r\n\r\n",
    "/short" => "HTTP/1.1 200 OK\r\nContent-Length: 50\r\n\r\nhello",
    "/bad-chunk" => "HTTP/1.1 200 OK\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\nhello",
    "/not-http" => "220 mail.example ready\r\n\r\n",
    "/bomb" => "HTTP/1.1 200 OK\r\nContent-Encoding: gzip\r\nConnection: close\r\n\r\n#{Zlib.gzip("\0" * 5_000_000)}",
    "/big" => "HTTP/1.1 200 OK\r\nContent-Length: 5000000\r\n\r\n#{"x" * 5_000_000}",
    "/broken-gzip" => "HTTP/1.1 200 OK\r\nContent-Encoding: gzip\r\nContent-Length: 5\r\n\r\nhello"
  }.freeze

  PROFILE =
    Fetch::Http::RequestProfile.new(
      user_agent: "Test",
      headers: [],
      hosts: {},
      connect_seconds: 1,
      first_byte_seconds: 0.7,
      seconds: 1,
      body_limit: 100_000
    )

  def setup
    @server = RawServer.new { |path, socket| answer(path, socket) }
    @client = client
  end

  def teardown
    @client.close
    @server.close
  end

  def client(**options)
    book =
      Fetch::Http::HostResolver.new(
        resolve: {
          "a.test:80" => "127.0.0.1:#{@server.port}",
          "gone.test:80" => "127.0.0.1:1"
        },
        allow_private: false
      )
    Fetch::Http::Client.new(addresses: book, profile: PROFILE, **options)
  end

  def fetch(path, host: "a.test") = @client.fetch(Url::NormalForm.parse("http://#{host}#{path}"))

  def test_an_answer_has_status_raw_header_lines_in_order_and_body
    answer = fetch("/plain")

    assert_equal [200, nil, "hello"], [answer.status, answer.error, answer.body]
    assert_equal ["Content-Type: text/html", "X-A: 1", "x-a:2", "Content-Length: 5"], answer.header_lines
    assert_kind_of Integer, answer.response_ms
  end

  def test_framings_and_codings_are_undone
    assert_equal "hello", fetch("/chunked").body
    assert_equal "hello" * 20, fetch("/gzip").body
    assert_equal "hello" * 20, fetch("/raw-deflate").body
    assert_equal [204, nil, ""], fetch("/empty").to_h.values_at(:status, :error, :body)
  end

  ERRORS = {
    "/short" => "closed",
    "/bad-chunk" => "malformed",
    "/not-http" => "malformed",
    "/bomb" => "too_large",
    "/big" => "too_large",
    "/broken-gzip" => "malformed",
    "/hang" => "timeout",
    "/drip" => "timeout",
    "/headers" => "too_large",
    "/slam" => "closed"
  }.freeze

  ERRORS.each do |path, error|
    define_method("test_#{path.delete("/").tr("-", "_")}_ends_as_#{error}") do
      answer = fetch(path)

      assert_equal error, answer.error
      refute_empty answer.error_detail
      assert_equal 200, fetch("/plain").status
    end
  end

  def test_a_refused_connection_and_an_unknown_host_are_told_apart
    assert_equal "connect", fetch("/", host: "gone.test").error
    assert_equal "dns", fetch("/", host: "nowhere.invalid").error
  end

  def test_private_addresses_are_refused_unless_allowed_or_named
    answer = fetch("/", host: "127.0.0.1:#{@server.port}")
    assert_equal "connect", answer.error
    assert_match(/private address/, answer.error_detail)

    open_book = Fetch::Http::HostResolver.new(resolve: {}, allow_private: true)
    allowed = client(addresses: open_book)
    assert_equal 200, allowed.fetch(Url::NormalForm.parse("http://127.0.0.1:#{@server.port}/plain")).status
    allowed.close
  end

  def test_a_connection_is_kept_and_one_that_the_server_closed_meanwhile_is_opened_anew
    3.times { assert_equal 200, fetch("/plain").status }
    assert_equal 1, @connections
    assert_equal 200, fetch("/once").status
    assert_equal 200, fetch("/plain").status
  end

  private

  def answer(path, socket)
    (@sockets ||= {})[socket] = true
    @connections = @sockets.size
    case path
    when "/hang"
      sleep 3
    when "/drip"
      30.times { socket.write("H") && sleep(0.1) }
    when "/headers"
      socket.write("HTTP/1.1 200 OK\r\n") && 20_000.times { |index| socket.write("X-#{index}: #{"y" * 80}\r\n") }
    when "/slam"
      nil
    when "/once"
      socket.write(ANSWERS["/plain"])
    else
      socket.write(ANSWERS.fetch(path))
      return %w[/plain /chunked /gzip].include?(path) ? :keep : :close
    end
    :close
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Work beside other work: on a connection of its own, told to its end, and given up where the other fails.
class ConcurrentlyTest < Minitest::Test
  include TestDatabase
  include Workers

  Concurrently = IronTrellis::Store::Postgres::Concurrently
  Sql = IronTrellis::Store::Postgres::Sql

  def backend = Sql.run("SELECT pg_backend_pid()").getvalue(0, 0).to_i

  def test_both_come_to_their_ends_on_connections_of_their_own
    own = nil
    other = Concurrently.call(-> { backend }) { own = backend }
    refute_equal own, other
  end

  def test_what_the_work_beside_raises_is_raised
    error = assert_raises(ArgumentError) { Concurrently.call(-> { raise ArgumentError, "no copies" }) { backend } }
    assert_equal "no copies", error.message
  end

  # The statement beside would take a minute; it ends when the block fails.
  def test_where_the_block_fails_the_work_beside_is_given_up
    pid = Queue.new
    work = -> do
      pid << backend
      Sql.run("SELECT pg_sleep(60)")
    end
    assert_raises(IndexError) { Concurrently.call(work) { raise IndexError if (@beside = pid.pop) } }
    wait_until(30) do
      Sql.run("SELECT 1 FROM pg_stat_activity WHERE pid = $1 AND state = 'active'", [@beside]).ntuples.zero?
    end
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# A supervisor in a process of its own, whose child writes down its number and then does as it is told.
class SupervisorTest < Minitest::Test
  include Workers

  def supervise(parent: nil, &work)
    reader, writer = IO.pipe
    pid = fork do
      reader.close
      # What the tests would do at their end isn't for this process.
      at_exit { exit! }
      IronTrellis::Work::Runtime::Supervisor.new(parent: parent) do |ending|
        writer.puts(Process.pid)
        work.call(ending)
      end.run
    end
    writer.close
    yield_pid(pid, reader)
  end

  def yield_pid(pid, reader)
    @started = [pid, reader]
  end

  def teardown
    pid, reader = @started
    reader&.close
    Process.kill("KILL", pid) if pid && alive?(pid)
    Process.wait(pid) if pid
  rescue Errno::ECHILD, Errno::ESRCH
    super
  end

  # @return [Integer] the next child
  def child(reader)
    assert reader.wait_readable(15), "no child was started"
    reader.gets.to_i
  end

  def patient = ->(ending) { sleep 0.02 until ending.call }

  def test_a_child_that_is_killed_is_started_again
    _, reader = supervise(&patient)
    first = child(reader)
    Process.kill("KILL", first)

    refute_equal first, child(reader)
  end

  def test_a_child_that_fails_is_started_again
    _, reader = supervise { |_| raise "lost" }

    assert_equal 3, Array.new(3) { child(reader) }.uniq.size
  end

  def test_told_to_end_it_lets_its_child_finish_and_ends
    pid, reader = supervise do |ending|
      sleep 0.02 until ending.call
      sleep 0.3
    end
    last = child(reader)
    Process.kill("TERM", pid)

    wait_until(10) { !alive?(pid) }
    refute alive?(last)
    assert_nil reader.gets, "none is started any more"
  end

  def test_without_its_supervisor_a_child_ends_too
    pid, reader = supervise(&patient)
    orphan = child(reader)
    Process.kill("KILL", pid)
    Process.wait(pid)

    wait_until(10) { !alive?(orphan) }
  end

  def test_it_ends_when_its_parent_is_not_the_one_that_was_named
    pid, = supervise(parent: Process.pid + 1, &patient)

    wait_until(10) { !alive?(pid) }
  end
end

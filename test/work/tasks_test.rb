# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"

# What somebody waits for is done by a worker.
class TasksTest < Minitest::Test
  include TestDatabase

  Work = IronTrellis::Work
  Task = IronTrellis::Store::Tasks::Task
  TRIAL = Work::Tasks::Kinds::RobotsTrial

  # Holds the thread of a worker that is free for anything until the task is done.
  class Hold < Work::Runtime::Job
    def run(task_id:)
      sleep 0.02 while Task.find(task_id).open?
      finish
    end
  end

  def ask(url = "http://10.0.0.1/") =
    Work::Tasks::TaskQueue.ask(TRIAL, {agent: "Bot", url: url, urls: ["/x"], site: nil}, now: Time.now)

  def work(task, threads: 0)
    Work::Runtime::Queue.work(queues: ["crawl"], threads: threads, attended: 1) { !task.reload.open? }
    task
  end

  def test_what_came_of_it_is_kept
    task = work(ask)
    assert_equal ["done", [{"url" => "/x", "allowed" => false, "line" => nil, "rule" => nil}]],
      [task.state, task.result["rows"].map { |row| row.slice("url", "allowed", "line", "rule") }]
  end

  def test_what_goes_wrong_is_told_and_not_tried_again
    task = work(ask("nothing"))
    assert_equal %w[failed malformed], [task.state, task.problem["code"]]
    assert_equal 0,
      IronTrellis::Store::Postgres::Sql.rows("SELECT 1 FROM que_jobs WHERE job_class LIKE '%Perform'").size
  end

  def test_work_in_slices_does_not_keep_it_waiting
    task = ask
    Work::Runtime::Queue.enqueue(Hold.name, {task_id: task.id}, queue: "crawl", priority: 1)
    assert_equal "done", work(task, threads: 1).state
  end

  def test_one_whose_worker_died_is_taken_up_again
    task = ask.tap { |one| one.update!(state: Task::RUNNING) }
    assert_equal "done", work(task).state
  end

  def test_what_is_cancelled_before_or_while_it_is_done_keeps_nothing
    waiting = ask.tap { |one| one.cancel(now: Time.now) }
    refute waiting.take_up
    running = ask.tap(&:take_up)
    running.cancel(now: Time.now)
    assert_raises(IronTrellis::Core::Error::Cancelled) { running.tell(1, 2) }
    running.succeed({}, now: Time.now)
    assert_equal %w[cancelled cancelled], [waiting, running].map { |one| one.reload.state }
    done = work(ask)
    done.cancel(now: Time.now)
    assert_equal "done", done.reload.state
  ensure
    Work::Runtime::Queue.clear("crawl")
  end

  def test_old_ones_are_forgotten
    old = ask.tap { |one| one.update!(asked_at: Time.now - 2 * 86_400) }
    ask
    refute Task.exists?(old.id)
  ensure
    Work::Runtime::Queue.clear("crawl")
  end
end

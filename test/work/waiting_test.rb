# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/plain_crawl"

# What takes minutes holds up nothing that takes seconds, and who waits is told for what.
class WaitingTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Store = IronTrellis::Store
  Runtime = IronTrellis::Work::Runtime
  Tasks = IronTrellis::Work::Tasks
  QUEUE = IronTrellis::Work::Runtime::Queue::SHARED

  # Jobs that do nothing until they are let go.
  class Held < Runtime::Job
    class << self
      attr_accessor :begun, :let_go

      def explain(given) = given["what"]
    end

    def run(what:)
      Held.begun << what
      Held.let_go.pop
      finish
    end
  end

  # The same, in the lane of what takes minutes.
  class Lasting < Held
    LONG = true
  end

  def setup
    super
    Held.begun = Queue.new
    Held.let_go = Queue.new
    Runtime::Queue.connect
    Runtime::Queue.clear(QUEUE)
  end

  def teardown
    20.times { Held.let_go << true }
    @worker&.join
    Runtime::Queue.clear(QUEUE)
    super
  end

  def test_what_takes_seconds_is_done_while_something_takes_minutes
    worker
    2.times { |number| Runtime::Queue.enqueue(Lasting.name, {what: "long #{number}"}, queue: QUEUE) }
    assert_equal "long 0", Held.begun.pop
    Runtime::Queue.enqueue(Held.name, {what: "short"}, queue: QUEUE)
    assert_equal "short", Held.begun.pop
  end

  def test_who_waits_is_told_for_what
    task = asked
    assert_equal({nobody: true, text: "No worker is running. Start one with bin/worker."}, Runtime::Waiting.for(task))
    Runtime::Queue.clear(QUEUE)
    worker
    Runtime::Queue.enqueue(Lasting.name, {what: "the verdicts of crawl 3"}, queue: QUEUE)
    Held.begun.pop
    task = asked
    assert_equal "The workers are busy with the verdicts of crawl 3.", Runtime::Waiting.for(task)[:text]
    second = asked
    assert_equal "The workers are busy with the verdicts of crawl 3. 1 other waits before it.",
      Runtime::Waiting.for(second)[:text]
    assert_nil Runtime::Waiting.for(task.tap { |one| one.update!(state: Store::Tasks::Task::DONE) })
  end

  def test_each_kind_of_job_says_what_it_does
    crawl = plain_crawl
    crawl.site.update!(name: "Small #{crawl.id}")
    given = {"crawl_id" => crawl.id, "site_id" => crawl.site.id, "task_id" => asked.id}
    told = jobs.to_h { |job| [job, job.explain(given)] }
    assert_operator told.size, :>=, 12
    assert_includes told.values, "the verdicts of crawl #{crawl.number} of Small #{crawl.id}"
    assert_includes told.values, "the fixes of Small #{crawl.id}"
    assert_includes told.values, Tasks::Kinds::Triage::DOING
    assert jobs.map { |job| job.explain({}) }.all?(String), "what was about is gone"
    assert Tasks::Registry.all.values.all? { |kind| kind::DOING.match?(/\A[a-z]/) }
  end

  private

  def asked = Tasks::TaskQueue.ask(Tasks::Kinds::Triage, {crawl: 0, fetch: false}, now: Time.now, quick: false)

  def jobs
    IronTrellis.loader.eager_load_namespace(IronTrellis::Work::Jobs)
    IronTrellis::Work::Jobs.constants.map { |name| IronTrellis::Work::Jobs.const_get(name) }
  end

  def worker
    @worker = Thread.new { Runtime::Queue.work(queues: [QUEUE], threads: 1, attended: 1) { Held.let_go.size > 10 } }
  end
end

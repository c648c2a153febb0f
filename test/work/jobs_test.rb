# frozen_string_literal: true

require_relative "../test_helper"

# Jobs that can be trusted: none is lost, none is done twice, and one that fails for good is told.
class JobsTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Store = IronTrellis::Store
  Work = IronTrellis::Work
  Sql = Store::Postgres::Sql
  Judgement = Work::Judging::Judgement
  MOST_SECONDS = 90

  def setup
    super
    Sql.run("DELETE FROM que_jobs")
    @crawl = judged(SmallSite.new("/" => "<title>Home</title><a href='/a'>a</a>", "/a" => "<title>A</title>"))
  end

  def judged(server)
    crawl = crawl_here(server)
    crawl.update!(state: Store::Crawling::Crawl::FINISHED, fetching_ended_at: Time.now, finished_at: Time.now)
    crawl
  end

  def site = @crawl.site

  def decide(intent) =
    Work::Decisions::Decide.decide(
      site,
      "group",
      [{"subject" => "/", "value" => {"intent" => intent}}],
      by: "Test",
      now: Time.now
    )

  def jobs(name = "Rejudge") =
    Sql
      .run("SELECT count(*) FROM que_jobs WHERE job_class = $1", ["IronTrellis::Work::Jobs::#{name}"])
      .getvalue(0, 0)
      .to_i

  def work(&until_)
    deadline = Time.now + MOST_SECONDS
    Work::Runtime::Queue.work(queues: ["crawl"], threads: 1) do
      (Time.now > deadline) ? flunk("what was waited for never came") : until_.call
    end
  end

  def intents = rows_of(@crawl.reload).values.map { |row| row["intent"] }.uniq

  def test_asked_twice_it_is_one_job
    2.times { Work::Judging::JudgingQueue.again(@crawl, now: Time.now) }
    assert_equal 1, jobs
  end

  def test_two_judgings_of_one_crawl_are_never_at_once
    lock = PG.connect(Store::Postgres::Database.url)
    lock.exec_params("SELECT pg_advisory_lock(hashtextextended($1, 0))", ["judging of crawl #{@crawl.id}"])
    assert_nil Judgement.alone(@crawl, clock: -> { Time.now })
    lock.exec("SELECT pg_advisory_unlock_all()")
    lock.close
    assert_equal @crawl, Judgement.alone(@crawl, clock: -> { Time.now }).crawl
  end

  # The clock is asked when a judging begins and when it ends: a decision made in between belongs to the next.
  def test_what_is_decided_while_it_is_judged_is_judged_afterwards
    asked = 0
    clock = lambda do
      decide("keep_out") if (asked += 1) == 2
      Time.now
    end
    Work::Judging::JudgingQueue.again(@crawl, now: Time.now)
    Judgement.alone(@crawl, clock: clock)
    refute_equal ["keep_out"], intents
    work { !@crawl.reload.judged_again? }
    assert_equal ["keep_out"], intents
  end

  def test_a_decision_during_the_first_judging_is_not_lost
    crawl = crawl_here(SmallSite.new("/" => "<title>Home</title>"), site: nil)
    crawl.verdict_runs.each(&:drop)
    crawl.update!(state: Store::Crawling::Crawl::JUDGING, fetching_ended_at: Time.now - 60, queue: "crawl")
    run = Judgement.alone(crawl, clock: -> { Time.now })
    Work::Decisions::Decide.decide(
      crawl.site,
      "group",
      [{"subject" => "/", "value" => {"intent" => "keep_out"}}],
      by: "Test",
      now: run.started_at + 0.001
    )
    crawl.with_lock { Work::Judging::JudgingQueue.follow_up(crawl, Time.now) }
    assert crawl.reload.judged_again?
    assert_equal 1, jobs
  end

  def test_a_killed_judging_leaves_nothing_behind
    before = tables
    pid = fork do
      Store::Postgres::Database.connect
      writer = Store::Judging::VerdictWriter
      writer.define_method(:staged) { Process.kill("KILL", Process.pid) }
      Judgement.alone(@crawl, clock: -> { Time.now })
    end
    Process.wait(pid)
    assert_operator tables.size, :>, before.size
    Store::Judging::VerdictRun.sweep_all
    assert_equal before, tables.reject { |name| name.start_with?("judging_") }
    assert Judgement.alone(@crawl, clock: -> { Time.now }), "the lock went with the process"
    assert_empty tables.grep(/\Ajudging_|_stage_/)
  end

  def tables =
    Sql.run(
      "SELECT relname FROM pg_class WHERE relkind = 'r' AND (relname ~ '_stage_' OR relname ~ '^judging_' OR relname " \
      "~ '^(ledger_rows|faults)_[0-9]') ORDER BY 1"
    ).column_values(0)

  def test_a_judging_that_fails_for_good_is_told_and_can_be_tried_again
    Work::Judging::JudgingQueue.again(@crawl, now: Time.now)
    failing(Work::Jobs::Rejudge)
    assert_match(/Something in the program went wrong/, @crawl.reload.judging_error)
    refute @crawl.judged_again?, "nobody waits for what failed"
    Work::Judging::JudgingQueue.again(@crawl, now: Time.now)
    assert_nil @crawl.reload.judging_error
    work { !@crawl.reload.judged_again? }
    assert_equal 2, @crawl.verdict_runs.where.not(finished_at: nil).count
  end

  def test_a_crawl_whose_first_judging_failed_says_so_and_holds_up_no_timetable
    @crawl.update!(state: Store::Crawling::Crawl::JUDGING)
    Work::Runtime::Queue.enqueue("Judge", {crawl_id: @crawl.id}, queue: "crawl")
    failing(Work::Jobs::Judge)
    assert_equal "failed", @crawl.reload.state
    assert_match(/could not be worked out: Something in the program went wrong/, @crawl.message)
    Work::Judging::JudgingQueue.of_interrupted(@crawl, now: Time.now)
    work { @crawl.reload.ended? }
    assert_equal ["finished", nil], [@crawl.state, @crawl.judging_error]
  end

  def test_a_slice_that_fails_for_good_pauses_its_crawl_with_the_reason
    @crawl.update!(state: Store::Crawling::Crawl::CRAWLING)
    Work::Jobs::CrawlSlice.new(kwargs: {crawl_id: @crawl.id, slot: 0}).given_up(
      PG::DiskFull.new("no space left on device")
    )
    assert_equal "paused", @crawl.reload.state
    assert_match(/again and again: The disk is full/, @crawl.message)
    Work::Crawling::Runs.resume(@crawl)
    assert_equal ["crawling", nil], [@crawl.reload.state, @crawl.message]
  end

  # As often as it is tried, at once instead of after minutes.
  def failing(job)
    Judgement.singleton_class.alias_method(:right, :alone)
    id = Sql.run("SELECT id FROM que_jobs WHERE job_class = $1", [job.name]).getvalue(0, 0)
    Sql.run("UPDATE que_jobs SET error_count = $2 WHERE id = $1", [id, Work::Runtime::Job::MOST_TRIES])
    Judgement.define_singleton_method(:alone) { |*, **| raise "out of lamps" }
    work { Sql.run("SELECT 1 FROM que_jobs WHERE id = $1 AND expired_at IS NOT NULL", [id]).any? }
  ensure
    Judgement.singleton_class.alias_method(:alone, :right)
  end
end

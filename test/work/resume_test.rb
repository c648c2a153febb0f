# frozen_string_literal: true

require_relative "../test_helper"

# A worker that is killed in mid-crawl loses nothing: the next one ends with the same result.
class ResumeTest < Minitest::Test
  include TestDatabase
  include AuditRun

  TIMINGS = %w[response_ms started_at seconds pages_per_second].freeze

  def test_a_crawl_whose_worker_is_killed_ends_like_an_undisturbed_one
    undisturbed = crawl("undisturbed")
    killed = crawl("killed") { |site, start| kill_in_the_middle(site, start) }

    %w[urls.jsonl links.jsonl faults.jsonl].each do |name|
      assert_equal rows(undisturbed, name), rows(killed, name), name
    end
  end

  private

  # The site is slowed down to about a hundred URLs in three seconds, so that there is a middle to be killed in.
  def crawl(name)
    settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://www.skerrylamps.example/"], "rate" => 40,
      "resolve" => {"www.skerrylamps.example:80" => "127.0.0.1:#{SiteServer.skerry.port}"})
    site = IronTrellis::Store::Site.found(name: "resume #{name} #{rand}", settings: settings)
    queue = "resume-#{name}-#{rand(1 << 30)}"
    crawl = IronTrellis::Work::Crawling.start(site, now: Time.now, queue: queue)
    worker = start_worker(queue)
    worker = yield(crawl, -> { start_worker(queue) }.tap { @worker = worker }) if block_given?
    wait_until(60) { crawl.reload.ended? }
    Dir.mktmpdir("resume").tap { |folder| IronTrellis::Work::AuditExport.new(crawl, folder).call }
  ensure
    end_worker(worker) if worker
  end

  def kill_in_the_middle(crawl, start)
    worker = @worker
    2.times do |time|
      wait_until(30) { IronTrellis::Store::Progress.of(crawl).fetched > 20 * (time + 1) }
      Process.kill("KILL", worker)
      Process.wait(worker)
      refute crawl.reload.ended?, "the crawl was over before its worker could be killed"
      worker = start.call
    end
    worker
  end

  def start_worker(queue)
    spawn({"TRELLIS_ENV" => "test"}, IronTrellis::ROOT.join("bin/worker").to_s, "--queue", queue)
  end

  def end_worker(pid)
    Process.kill("TERM", pid)
    Process.wait(pid)
  end

  def wait_until(seconds)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    until yield
      flunk("waited #{seconds} s in vain") if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      sleep 0.05
    end
  end

  def rows(folder, name) = File.readlines(File.join(folder, name)).map { |line| JSON.parse(line).except(*TIMINGS) }
end

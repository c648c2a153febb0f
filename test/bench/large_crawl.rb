# frozen_string_literal: true

# A crawl of a generated site from its start to its verdicts: how long each takes, how much memory a worker has at a
# tenth, a half and the end, and what a page and a link take in the database.
#
#   ruby test/bench/large_crawl.rb [PAGES] [WORKERS]
require_relative "support"
require_relative "generated_site"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"

PAGES = Integer(ARGV[0] || 10_000)
WORKERS = Integer(ARGV[1] || 2)
SHARES = {"tenth" => 0.1, "half" => 0.5}.freeze
PARTS = {"page" => %w[frontier page_facts raw_answers page_blocks], "link" => %w[links]}.freeze

Store = IronTrellis::Store

def start_crawl(port)
  settings =
    IronTrellis::Core::Settings::Crawl.new(
      "start_urls" => ["http://plain.example/"],
      "rate" => 0,
      "concurrency" => 16,
      "resolve" => {
        "plain.example:80" => "127.0.0.1:#{port}"
      }
    )
  IronTrellis::Work::Crawling::Runs.start(
    Store::Sites::Site.register(name: "bench #{SecureRandom.hex(6)}", settings: settings),
    now: Time.now,
    slots: WORKERS,
    queue: "bench-#{Process.pid}"
  )
end

# @return [Integer] megabytes of the largest process of these groups
def megabytes(groups) =
  groups.flat_map { |group| `pgrep -g #{group}`.split }.map { |pid| Bench.kilobytes(pid) }.max.to_i / 1024

def watch(crawl, groups)
  seen = {}
  turn = 0
  until crawl.reload.ended?
    fetched = Store::Crawling::Counters.sums(crawl.id)["fetched"]
    now = megabytes(groups)
    SHARES.each { |name, share| seen[name] ||= now if fetched >= share * PAGES }
    seen["end"] = now unless crawl.fetching_ended_at
    seen["most"] = [seen["most"].to_i, now].max
    Bench.say("#{fetched} of #{PAGES}, #{now} MB, #{crawl.state}") if (turn += 1) % 20 == 0
    sleep 0.5
  end
  seen
end

def bytes_each(crawl)
  counts = {
    "page" => PAGES,
    "link" =>
      Store::Postgres::Sql
        .run("SELECT count(*) FROM #{Store::Postgres::Partitions.name("links", crawl.id)}")
        .getvalue(0, 0)
        .to_i
  }
  PARTS.to_h do |what, tables|
    bytes =
      tables.sum do |table|
        Store::Postgres::Sql
          .run("SELECT pg_total_relation_size('#{Store::Postgres::Partitions.name(table, crawl.id)}')")
          .getvalue(0, 0)
          .to_i
      end
    [what, bytes / counts[what]]
  end
end

site = Bench::GeneratedSite.new(pages: PAGES).start
begin
  Store::Postgres::Database.prepare
  IronTrellis::Work::Runtime::Queue.connect
  crawl = start_crawl(site.port)
  workers =
    Array.new(WORKERS) do
      spawn(File.join(Bench::ROOT, "bin/worker"), "--queue", crawl.queue, "--parent", Process.pid.to_s, pgroup: true)
    end
  memory = watch(crawl, workers)
  fetching = crawl.fetching_ended_at - crawl.started_at
  Bench.report(
    bench: "large_crawl",
    pages: PAGES,
    workers: WORKERS,
    fetched: Store::Crawling::Counters.sums(crawl.id)["fetched"],
    fetching_seconds: fetching.round,
    judging_seconds: (crawl.finished_at - crawl.fetching_ended_at).round,
    pages_per_second: (PAGES / fetching).round,
    worker_megabytes: memory,
    database_bytes: bytes_each(crawl)
  )
ensure
  crawl&.drop
  workers&.each { |pid| Process.kill("TERM", pid) && Process.wait(pid) }
  site.stop
end

# frozen_string_literal: true

# Working out the verdicts of a crawl of so many pages in a process of its own, tuned as a worker is: seconds, and the
# most memory it had.
# With a second size the growth between the two is told: 1.0 would be linear.
#
#   ruby test/bench/judging.rb [PAGES] [SMALLER]
require_relative "support"
require_relative "../../bin/boot"

Boot.tuned(__FILE__, ARGV)
ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_crawl"

PAGES = Integer(ARGV[0] || 100_000)
SMALLER = ARGV[1] && Integer(ARGV[1])

def judge(crawl)
  ActiveRecord::Base.connection_handler.clear_all_connections!
  process = fork do
    IronTrellis::Store::Postgres::Database.revive
    IronTrellis::Work::Judging::Judgement.new(
      IronTrellis::Store::Crawling::Crawl.find(crawl.id),
      clock: -> { Time.now }
    ).call
  end
  most = 0
  finished = nil
  seconds = Bench.seconds do
    until finished
      sleep 0.2
      most = [most, Bench.kilobytes(process)].max
      finished = Process.wait2(process, Process::WNOHANG)
    end
  end
  abort "Judging failed." unless finished[1].success?

  {seconds: seconds.round(1), megabytes: most / 1024}
end

def measure(pages)
  crawl = Bench::MadeCrawl.new(pages).call
  result = judge(crawl)
  run = crawl.reload.verdict_run
  result.merge(
    pages: pages,
    links: pages * Bench::MadeCrawl::LINKS,
    faults: IronTrellis::Store::Postgres::Sql.run("SELECT count(*) FROM faults_#{run.id}").getvalue(0, 0).to_i,
    copies:
      IronTrellis::Store::Postgres::Sql
        .run("SELECT count(*) FROM ledger_rows_#{run.id} WHERE copy_of IS NOT NULL")
        .getvalue(0, 0)
        .to_i
  )
ensure
  crawl&.drop
end

IronTrellis::Store::Postgres::Database.prepare
smaller = SMALLER && measure(SMALLER)
whole = measure(PAGES)
growth = smaller && (Math.log(whole[:seconds] / smaller[:seconds]) / Math.log(PAGES.fdiv(SMALLER))).round(2)
Bench.report(bench: "judging", **whole, smaller: smaller, growth: growth)

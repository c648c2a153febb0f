# frozen_string_literal: true

# Fixes made anew for so many faults, written straight into the tables (the aim is 100,000 in under 30 s), and read for
# the lanes and the list.
#
#   ruby test/bench/fixes.rb [URLS]     a third of which has a fault, and some two
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_verdicts"

URLS = Integer(ARGV[0] || 285_000)
Store = IronTrellis::Store
Work = IronTrellis::Work::Workplan

def seconds
  began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  yield
  (Process.clock_gettime(Process::CLOCK_MONOTONIC) - began).round(2)
end

Store::Postgres::Database.prepare
_, run = Bench::MadeVerdicts.new(URLS, 2).call
site = run.crawl.site
begin
  first = seconds { Work::RegenerateFixes.new(site, run, now: Time.now).call }
  again = seconds { Work::RegenerateFixes.new(site.reload, run, now: Time.now).call }
  Bench.report(
    bench: "fixes",
    urls: URLS,
    faults: Store::Workplan::Fix.of(site).sum("jsonb_array_length(faults)"),
    fixes: Store::Workplan::Fix.of(site).count,
    first_seconds: first,
    again_seconds: again,
    list_seconds: seconds { Work::Listing.new(site).brief(nil) },
    lanes_seconds: seconds { Work::Lanes.new(site, today: Date.today).call },
    megabytes: File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i / 1024
  )
ensure
  site.drop
end

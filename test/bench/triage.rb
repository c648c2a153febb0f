# frozen_string_literal: true

# Sorting what an index left out, as the crawl saw it: a made crawl of so many pages, most of which the newest evidence
# leaves out. Told are the seconds of the evidence's import, of judging with it, and of the sorting, which the command
# `triage --no-fetch` does.
#
#   ruby test/bench/triage.rb [LEFT OUT]
require "tempfile"
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_crawl"

LEFT_OUT = Integer(ARGV[0] || 50_000)
STATES = %w[passed_over waiting kept_elsewhere missing server_failed moved].freeze

IronTrellis::Store::Postgres::Database.prepare
crawl = Bench::MadeCrawl.new(LEFT_OUT + LEFT_OUT / 10).call
IronTrellis::Work::Judging::Judgement.new(crawl, clock: -> { Time.now }).call
crawl.update_columns(state: "finished", finished_at: Time.now)
site = crawl.site
rows = "ledger_rows_#{crawl.reload.verdict_run.id}"
urls = IronTrellis::Store::Postgres::Sql.run("SELECT url FROM #{rows} WHERE kind = 'html'").column_values(0)
file = Tempfile.new(["standings", ".csv"])
file.puts("url,standing")
urls.each_with_index do |url, place|
  file.puts("#{url},#{(place < LEFT_OUT) ? STATES[place % STATES.size] : "in_index"}")
end
file.flush
told =
  IronTrellis::Work::Evidence::Importing::Told.new(kind: "standings", columns: {}, words: {}, name: "x", whole: true)
imported = Bench.seconds { IronTrellis::Work::Evidence::Importing.new(site, file.path, told, now: Time.now).call }
judged = Bench.seconds { IronTrellis::Work::Judging::Judgement.new(crawl, clock: -> { Time.now }).call }
index = IronTrellis::Store::Evidence::Index.first_of(site)
sorted = nil
sorting = IronTrellis::Work::Triage::SortingOut.new(site.reload, index, clock: -> { Time.now })
seconds = Bench.seconds { sorted = sorting.call(fetch: false) }
Bench.report(
  bench: "triage",
  left_out: sorted.size,
  import: imported.round(1),
  judging: judged.round(1),
  triage: seconds.round(1),
  megabytes: Bench.kilobytes(Process.pid) / 1024,
  classes: sorted.map(&:kind).tally
)
site.drop

# frozen_string_literal: true

# What the screens of evidence ask, at so many URLs with five page-days each written straight into the tables: by name
# of the query the 95th percentile in milliseconds, and how many times as long it takes as the bare SQL of it; and what
# judging spends on such evidence.
#
#   ruby test/bench/evidence_at_scale.rb [URLS]
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_verdicts"
require_relative "made_evidence"
require_relative "timed_queries"

URLS = Integer(ARGV[0] || 1_000_000)
LINKS = 2
Store = IronTrellis::Store

def conditions(*all) =
  Store::Ledger::Conditions.new(
    {"all" => all.map { |field, op, value| {"field" => field, "op" => op, "value" => value}.compact }}
  )

def page(run, conditions, sort) =
  Store::Ledger::Page.new(run, conditions: conditions, sort: sort, after: nil, limit: 100).call

def of_ledger(run)
  out = ->(turn) { conditions(%w[standing is passed_over], ["clicks", "below", 1 + turn % 4]) }
  {
    "ledger, by clicks" => ->(_) { page(run, conditions, "-clicks") },
    "ledger, left out with few clicks" => ->(turn) { page(run, out.call(turn), "-impressions") },
    "totals, left out with few clicks" => ->(turn) { Store::Ledger::Totals.of(run, out.call(turn)) }
  }
end

def of_queries(run)
  found = ->(span) { Store::Evidence::FoundFor.new(run, span: span, first: 8, last: 20, least: 50) }
  {
    "queries, near wins" => ->(turn) { found.call("short").queries(from: turn * 100) },
    "queries, most shown, all that is kept" => ->(turn) do
      found.call("long").queries(order: "impressions", from: turn)
    end,
    "queries, competing" => ->(_) { found.call("short").queries(order: "competing") },
    "queries, a part of the text" => ->(turn) do
      found.call("long").queries(order: "clicks", text: "bour #{turn + 10}")
    end,
    "queries by page" => ->(_) { found.call("short").pages }
  }
end

def of_standing(run, site)
  lines = Store::Triage::KeptLines.new(Store::Evidence::Index.first_of(site))
  ids =
    Store::Postgres::Sql
      .run("SELECT url_id FROM ledger_rows_#{run.id} ORDER BY url_id LIMIT 20")
      .column_values(0)
      .map(&:to_i)
  {
    "standing now" => ->(_) { Store::Standing::Now.new(run).call },
    "standing over time" => ->(_) { Store::Standing::History.new(run).call },
    "standing over time, one group" => ->(turn) { Store::Standing::History.new(run, group: "/g#{turn}/").call },
    "left out, trays" => ->(_) { lines.trays },
    "left out, one class" => ->(turn) { lines.of("by_product", from: turn * 200) },
    "sources" => ->(_) { Store::Evidence::Overview.new(site).call },
    "in the index, of one page" => ->(turn) { Store::Evidence::OfPage.new(run, ids[turn]).call }
  }
end

Store::Postgres::Database.prepare
_, run = Bench::MadeVerdicts.new(URLS, LINKS).call
evidence = Bench::MadeEvidence.new(run)
begin
  judging = evidence.call
  queries = {**of_standing(run, run.crawl.site), **of_queries(run), **of_ledger(run)}
  Bench.report(
    bench: "evidence_at_scale",
    urls: URLS,
    page_days: URLS * Bench::MadeEvidence::PAGE_DAYS,
    judging_seconds: judging,
    queries: queries.transform_values { |query| Bench::TimedQueries.measure(query) }
  )
ensure
  evidence.drop
end

# frozen_string_literal: true

# What the screens of the stage Read ask, at so many URLs and links written straight into the tables: by name of the
# query the 95th percentile in milliseconds, and how many times as long it takes as the bare SQL of it.
#
#   ruby test/bench/reading_at_scale.rb [URLS] [LINKS EACH]
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_verdicts"
require_relative "timed_queries"

URLS = Integer(ARGV[0] || 1_000_000)
LINKS = Integer(ARGV[1] || 50)
TURNS = Bench::TimedQueries::TURNS

Store = IronTrellis::Store
Sql = Store::Postgres::Sql

def conditions(*all) =
  Store::Ledger::Conditions.new(
    {"all" => all.map { |field, op, value| {"field" => field, "op" => op, "value" => value}.compact }}
  )

def page(run, conditions, sort, after: nil) =
  Store::Ledger::Page.new(run, conditions: conditions, sort: sort, after: after, limit: 100).call

# Cursors of pages far down, taken beforehand.
def deep_cursors(run)
  cursor = page(run, conditions, "-importance")[:next]
  Array.new(TURNS + 21) { cursor = page(run, conditions, "-importance", after: cursor)[:next] || cursor }
end

def queries(crawl, run)
  ids = Sql.run("SELECT url_id FROM ledger_rows_#{run.id} ORDER BY url_id LIMIT #{TURNS}").column_values(0).map(&:to_i)
  cursors = deep_cursors(run)
  narrow = ->(turn) { conditions(["group", "is", "/g#{turn}/"], ["words", "below", 300]) }
  {
    "ledger, first page" => ->(_) { page(run, conditions, "url") },
    "ledger, two conditions and a sort" => ->(turn) { page(run, narrow.call(turn), "-importance") },
    "ledger, a deep page" => ->(turn) { page(run, conditions, "-importance", after: cursors[turn + 20]) },
    "ledger, part of an address" => ->(turn) do
      page(run, conditions(["url", "contains", "/#{URLS / 3 + turn * 997}"]), "url")
    end,
    "ledger, one fault" => ->(_) { page(run, conditions(%w[faults has canonical-chain]), "-importance") },
    "ledger, stop and depth" => ->(turn) do
      page(run, conditions(%w[stop is open], ["depth", "is", turn % 9]), "words")
    end,
    "ledger, sorted by a column without index" => ->(_) { page(run, conditions, "title") },
    "ledger, counted by a column" => ->(_) { Store::Ledger::Gathered.new(run, "status", conditions: conditions).call },
    "links, as the pages hold them" => ->(turn) { links(crawl, [], nil).page(from: turn * 200) },
    "links to missing pages" => ->(_) { links(crawl, [["target_status", "is", 404], %w[type is anchor]], nil).page },
    "totals, all" => ->(_) { Store::Ledger::Totals.of(run, conditions) },
    "totals, two conditions" => ->(turn) { Store::Ledger::Totals.of(run, narrow.call(turn)) },
    "trellis" => ->(_) { Store::Reports::Trellis.new(run, "all").call },
    "faults" => ->(_) { Store::Reports::Causes.new(run).call },
    "places of a common fault" => ->(_) { Store::Reports::FaultPlaces.new(run, "thin").occurrences },
    "dossier with its links" => ->(turn) do
      Store::Reports::Dossier
        .new(crawl, ids[turn])
        .then do |dossier|
          [
            dossier.call,
            *%w[target source].map do |field|
              Store::Links::Table.new(
                crawl,
                where: {
                  "all" => [{"field" => field, "op" => "is", "value" => dossier.address}]
                }
              ).page
            end
          ]
        end
    end,
    "structure" => ->(_) { run.reload.structure }
  }
end

def links(crawl, narrow, sort) =
  Store::Links::Table.new(
    crawl,
    where: {
      "all" => narrow.map { |field, op, value| {"field" => field, "op" => op, "value" => value} }
    },
    sort: sort
  )

Store::Postgres::Database.prepare
crawl, run = Bench::MadeVerdicts.new(URLS, LINKS).call
begin
  Bench.report(
    bench: "reading_at_scale",
    urls: URLS,
    links: URLS * LINKS,
    queries: queries(crawl, run).transform_values { |query| Bench::TimedQueries.measure(query) }
  )
ensure
  crawl.drop
end

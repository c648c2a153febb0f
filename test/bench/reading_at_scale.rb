# frozen_string_literal: true

# What the screens of the stage Read ask, at so many URLs and links written straight into the tables: by name of the
# query the 95th percentile in milliseconds, and how many times as long it takes as the bare SQL of it.
#
#   ruby test/bench/reading_at_scale.rb [URLS] [LINKS EACH]
require_relative "support"

ENV["TRELLIS_DATABASE"] = "iron_trellis_bench"
require_relative "../../iron_trellis"
require_relative "made_crawl"

URLS = Integer(ARGV[0] || 1_000_000)
LINKS = Integer(ARGV[1] || 50)
TURNS = 20

Store = IronTrellis::Store
Sql = Store::Postgres::Sql

# Rows as judging stages them, written by the database itself.
ROWS = <<~SQL
  INSERT INTO %<stage>s (url_id, url, kind, status, content_type, bytes, first_byte_ms, response_ms, fetched_at, depth,
    found_by, robots_allowed, redirect_chain, final_url, final_status, noindex, nofollow,
    canonical, canonical_source, canonical_state, lang, title, title_chars, description, description_chars, h1, words,
      links_in, links_out_internal, links_out_external, images, images_without_alt,
    in_sitemaps, "group", intent, wanted, indexable, soft_missing, stop, stop_reason, climb, authority, importance,
      importance_parts)
  SELECT url_id, url, 'html', status, 'text/html', 1000 + r %% 90000, 20 + r %% 300, 30 + r %% 2000, now(), r %% 9,
    '{link}', true, '{}', url, status, r %% 61 = 60, false,
    url, 'html', 'self', 'en', 'Page ' || n || ' about the matter ' || n %% 977, 30 + r %% 60,
      'What is to be said of the matter ' || n %% 977, 60 + r %% 120, ARRAY['Matter ' || n], r %% 1500, r %% 90, 50, r
        %% 5, 3, 0,
    CASE WHEN r %% 3 = 0 THEN '{http://made.example/sitemap.xml}'::text[] ELSE '{}' END, '/g' || n %% 60 || '/',
      'undecided', r %% 3 = 0, status = 200 AND r %% 61 < 60, false,
    CASE WHEN status = 404 THEN 'answers' WHEN r %% 61 = 60 THEN 'open' END, CASE WHEN status = 404 THEN 'status 404'
      END,
    '[{"rung": "found", "state": "pass", "reason": null}, {"rung": "allowed", "state": "pass", "reason": null}]'::jsonb,
      1.0 / %<urls>d, round((r %% 1000) / 10.0, 1), '{}'
  FROM (SELECT f.url_id, f.url, p.status, (regexp_match(f.url, '[0-9]+$'))[1]::bigint AS n, hashint8(f.url_id)::bigint +
    2147483648 AS r FROM frontier_%<crawl>d f JOIN page_facts_%<crawl>d p USING (url_id)) s
SQL
# A rule that finds a third of all pages, one that finds one in fifty, one that finds a hundred.
FAULTS = {
  "thin" => [3, "weakens"],
  "noindex-wanted" => [50, "stops"],
  "canonical-chain" => [URLS / 100, "diverts"]
}.freeze
FAULT = <<~SQL
  INSERT INTO faults_%<run>d (run_id, identity, code, grade, url_id, url, about, detail)
  SELECT %<run>d, hashint8extended(url_id, %<every>d), '%<code>s', '%<grade>s', url_id, url, NULL, '{}' FROM %<stage>s
    WHERE (hashint8(url_id)::bigint + 2147483648) %% %<every>d = 1
SQL

def made
  crawl = Bench::MadeCrawl.new(URLS, links: LINKS, texts: false).call
  Bench.say("indexes of the facts …")
  Store::Postgres::Partitions.index(%w[page_facts links], crawl.id)
  run = Store::Judging::VerdictRun.begin(crawl, rules_digest: "bench", now: Time.now)
  writer = Store::Judging::VerdictWriter.new(run)
  Bench.say("ledger …")
  Sql.raw.exec(format(ROWS, stage: writer.stage, urls: URLS, crawl: crawl.id))
  FAULTS.each do |code, (every, grade)|
    Sql.raw.exec(format(FAULT, run: run.id, every: every, code: code, grade: grade, stage: writer.stage))
  end
  Bench.say("finishing …")
  ActiveRecord::Base.transaction do
    writer.finish(Time.now) do
      {structure: Store::Reports::Structure.new(run, IronTrellis::Core::Settings::Thresholds.default, []).call}
    end
  end
  crawl.update!(state: "finished", finished_at: Time.now)
  Sql.raw.exec("VACUUM (ANALYZE) ledger_rows_#{run.id}")
  [crawl, run]
end

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

# The statements that a query makes, run again with nothing around them.
def bare(statements) =
  Bench.seconds { statements.each { |sql, params| params.nil? ? Sql.raw.exec(sql) : Sql.raw.exec_params(sql, params) } }

# Notes the statements that go to the server by Sql.run while the block runs.
def noted
  statements = []
  Sql.define_singleton_method(:run) do |sql, params = []|
    statements << [sql, params]
    raw.exec_params(sql, params)
  end
  yield
  statements
ensure
  Sql.define_singleton_method(:run) { |sql, params = []| raw.exec_params(sql, params) }
end

def measure(query)
  statements = noted { query.call(0) }
  times = Array.new(TURNS) { |turn| Bench.seconds { query.call(turn) } }.sort
  again = Bench.median(Array.new(5) { Bench.seconds { query.call(0) } })
  alone = Bench.median(Array.new(5) { bare(statements) })
  {
    p95_ms: (times[(TURNS * 0.95).ceil - 1] * 1000).round(1),
    times_bare: statements.empty? ? nil : (again / alone).round(2)
  }
end

Store::Postgres::Database.prepare
crawl, run = made
begin
  Bench.report(
    bench: "reading_at_scale",
    urls: URLS,
    links: URLS * LINKS,
    queries: queries(crawl, run).transform_values { |query| measure(query) }
  )
ensure
  crawl.drop
end

# frozen_string_literal: true

require_relative "made_crawl"

module Bench
  # A judged crawl of so many URLs and links written straight into the tables, without texts, by the database itself.
  class MadeVerdicts
    Store = IronTrellis::Store
    Sql = Store::Postgres::Sql

    CLIMB = %('#{JSON.generate(%w[found allowed].map { |rung| {rung: rung, state: "pass", reason: nil} })}'::jsonb)
    STATES = %w[in_index in_index in_index passed_over waiting kept_elsewhere not_known].freeze
    # Rows as judging stages them.
    ROWS = <<~SQL
      INSERT INTO %<stage>s (url_id, url, kind, status, content_type, bytes, first_byte_ms, response_ms, fetched_at,
        depth, found_by, robots_allowed, redirect_chain, final_url, final_status, noindex, nofollow, canonical,
        canonical_source, canonical_state, lang, title, title_chars, description, description_chars, h1, words,
        links_in, links_out_internal, links_out_external, images, images_without_alt, in_sitemaps, "group", intent,
        wanted, indexable, soft_missing, stop, stop_reason, climb, authority, importance, importance_parts, dropped,
        standing, standing_date, clicks, impressions, position, queries)
      SELECT url_id, url, 'html', status, 'text/html', 1000 + r %% 90000, 20 + r %% 300, 30 + r %% 2000, now(),
        r %% 9, '{link}', true, '{}', url, status, r %% 61 = 60, false, url,
        'html', 'self', 'en', 'Page ' || n || ' about the matter ' || n %% 977, 30 + r %% 60,
        'What is to be said of the matter ' || n %% 977, 60 + r %% 120, ARRAY['Matter ' || n], r %% 1500,
        r %% 90, 50, r %% 5, 3, 0,
        CASE WHEN r %% 3 = 0 THEN '{http://made.example/sitemap.xml}'::text[] ELSE '{}' END, '/g' || n %% 60 || '/',
        'undecided', r %% 3 = 0, status = 200 AND r %% 61 < 60, false,
        CASE WHEN status = 404 THEN 'answers' WHEN r %% 61 = 60 THEN 'open' END,
        CASE WHEN status = 404 THEN 'status 404' END, #{CLIMB}, 1.0 / %<urls>d,
        round((r %% 1000) / 10.0, 1), '{}', false, (ARRAY['#{STATES.join("', '")}'])[1 + n %% #{STATES.size}],
        '2026-11-28'::date, n %% 13, 1 + n %% 400, 1 + n %% 60, n %% 5
      FROM (
        SELECT f.url_id, f.url, p.status, (regexp_match(f.url, '[0-9]+$'))[1]::bigint AS n,
          hashint8(f.url_id)::bigint + 2147483648 AS r
        FROM frontier_%<crawl>d f JOIN page_facts_%<crawl>d p USING (url_id)
      ) s
    SQL
    # A rule that finds a third of all pages, one that finds one in fifty, one that finds a hundred.
    FAULTS = {
      "thin" => [3, "weakens"],
      "noindex-wanted" => [50, "stops"],
      "canonical-chain" => [10_000, "diverts"]
    }.freeze
    FAULT = <<~SQL
      INSERT INTO faults_%<run>d (run_id, identity, code, grade, url_id, url, about, detail)
      SELECT %<run>d, hashint8extended(url_id, %<every>d), '%<code>s', '%<grade>s', url_id, url, NULL, '{}'
      FROM %<stage>s WHERE (hashint8(url_id)::bigint + 2147483648) %% %<every>d = 1
    SQL

    # @param urls [Integer]
    # @param links [Integer] out of each
    def initialize(urls, links)
      @urls = urls
      @links = links
    end

    # @return [Array(IronTrellis::Store::Crawling::Crawl, IronTrellis::Store::Judging::VerdictRun)]
    def call
      crawl = MadeCrawl.new(@urls, links: @links, texts: false).call
      Bench.say("indexes of the facts …")
      Store::Postgres::Partitions.index(%w[page_facts links], crawl.id)
      run = Store::Judging::VerdictRun.begin(crawl, rules_digest: "bench", now: Time.now)
      writer = Store::Judging::VerdictWriter.new(run)
      stage(crawl, run, writer)
      finish(run, writer)
      crawl.update!(state: "finished", finished_at: Time.now)
      Sql.raw.exec("VACUUM (ANALYZE) ledger_rows_#{run.id}")
      [crawl, run]
    end

    private

    def stage(crawl, run, writer)
      Bench.say("ledger …")
      Sql.raw.exec(format(ROWS, stage: writer.stage, urls: @urls, crawl: crawl.id))
      FAULTS.each do |code, (every, grade)|
        Sql.raw.exec(format(FAULT, run: run.id, every: every, code: code, grade: grade, stage: writer.stage))
      end
    end

    def finish(run, writer)
      Bench.say("finishing …")
      ActiveRecord::Base.transaction do
        writer.finish(Time.now) do
          limits = IronTrellis::Core::Settings::Thresholds.default
          {structure: Store::Reports::Structure.new(run, limits, [], important_known: true).call}
        end
      end
    end
  end
end

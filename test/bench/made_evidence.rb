# frozen_string_literal: true

module Bench
  # Evidence of every URL of a made, judged crawl, written straight into the tables by the database itself: two weekly
  # standings, five days of the search record spread over sixteen months, two days of one of half as many queries, and
  # what was sorted of 50,000 left-out URLs.
  class MadeEvidence
    Store = IronTrellis::Store
    Sql = Store::Postgres::Sql
    NEWEST = "2026-11-28"
    PAGE_DAYS = 5
    SORTED = 50_000
    STEPS = {
      "nodes" =>
        "CREATE TEMPORARY TABLE known AS SELECT url_id, url, row_number() OVER (ORDER BY url_id) AS n FROM " \
          "%<ledger>s; CREATE UNIQUE INDEX ON known (url_id); ANALYZE known",
      "standings" => <<~SQL,
        INSERT INTO standings (site_id, import_id, index_id, day, url_id, state, reason, first_seen)
        SELECT %<site>d, %<import>d, %<index>d, d, url_id,
          (ARRAY['#{MadeVerdicts::STATES.join("', '")}'])[1 + (n + w) %% 7], 'told by the bench',
          '2026-01-01'::date + (n %% 200)::integer
        FROM known, (VALUES ('2026-11-21'::date, 0), ('#{NEWEST}'::date, 1)) AS days (d, w)
      SQL
      "search record" => <<~SQL,
        INSERT INTO search_pages (site_id, import_id, index_id, day, dated, url_id, clicks, impressions, position)
        SELECT %<site>d, %<import>d, %<index>d, '#{NEWEST}'::date - ((n * 7 + k * 97) %% 480)::integer, true, url_id,
          n %% 13 / 3, 1 + n %% 400, 1 + n %% 60 FROM known, generate_series(0, #{PAGE_DAYS - 1}) k
      SQL
      "queries" =>
        "INSERT INTO queries (id, text) SELECT n, 'lamp number ' || n || ' of harbour ' || n %% 977 FROM " \
          "known WHERE n %% 2 = 0 ON CONFLICT DO NOTHING",
      "record by query" => <<~SQL
        INSERT INTO search_queries (site_id, import_id, index_id, day, dated, url_id, query_id, clicks, impressions,
          position)
        SELECT %<site>d, %<import>d, %<index>d, '#{NEWEST}'::date - ((n * 3 + k * 11) %% 60)::integer, true, url_id,
          n / 2 * 2, n %% 7 / 3, 1 + n %% 300, 1 + n %% 60 FROM known, generate_series(0, 1) k WHERE n > 1
      SQL
    }.freeze
    DAYS = <<~SQL
      INSERT INTO evidence (site_id, index_id, kind, day, whole)
      SELECT %<site>d, %<index>d, kind, d::date, true FROM (VALUES ('pages', 480), ('queries', 60)) AS k (kind, days),
        generate_series('#{NEWEST}'::date - days, '#{NEWEST}', '1 day') d
      UNION ALL VALUES (%<site>d, %<index>d, 'standings', '2026-11-21'::date, true),
        (%<site>d, %<index>d, 'standings', '#{NEWEST}'::date, true)
    SQL
    SORT = <<~SQL
      INSERT INTO triage_lines (index_id, url_id, url, class, "group", line)
      SELECT %<index>d, url_id, url, (ARRAY['settled', 'by_product', 'stranded', 'undervalued'])[1 + n %% 4], 'all',
        jsonb_build_object('url', url, 'clicks', n %% 50, 'links_in', n %% 90, 'reasons', '[]'::jsonb)
      FROM known ORDER BY n LIMIT #{SORTED}
    SQL

    # @param run [IronTrellis::Store::Judging::VerdictRun]
    def initialize(run)
      @run = run
      @site = run.crawl.site
      @ledger = Store::Postgres::Partitions.name("ledger_rows", run.id)
    end

    # @return [Hash] seconds that judging spends on it: table (of what evidence says), record and standings (roll-ups)
    def call
      @index = Store::Evidence::Index.create!(site: @site, name: "made", created_at: Time.now)
      @import =
        Store::Evidence::Import.create!(site: @site, index: @index, kind: "pages", name: "made", made_at: Time.now)
      STEPS.each { |name, sql| write(name, sql) }
      write("days", DAYS)
      write("sorted", SORT)
      write("analyze", "ANALYZE standings, search_pages, search_queries, queries, evidence, triage_lines")
      judged
    end

    # @return [void]
    def drop
      %w[standings search_pages search_queries evidence].each do |table|
        Sql.run("DELETE FROM #{table} WHERE site_id = $1", [@site.id])
      end
      @index.destroy!
      @site.drop
    end

    private

    def judged
      basis = Store::Evidence::Basis.of(@site, now: Time.utc(2026, 11, 28, 12))
      table = "made_evidence_#{@run.id}"
      making =
        Bench.seconds do
          Sql.raw.exec("CREATE TEMPORARY TABLE #{table} AS #{Store::Evidence::EvidenceByUrl.new(@site, basis).sql}")
        end
      Sql.raw.exec("ANALYZE #{table}")
      @run.update!(evidence: basis.to_json_values)
      roll_up = Store::Evidence::RollUp.new(@run, basis)
      {
        table: making.round(1),
        record: Bench.seconds { roll_up.record(stage: @ledger, evidence: table) }.round(1),
        standings: Bench.seconds { roll_up.standings }.round(1)
      }
    end

    def write(name, sql)
      Bench.say("#{name} …")
      Sql.raw.exec(format(sql, ledger: @ledger, site: @site.id, import: @import.id, index: @index.id))
    end
  end
end

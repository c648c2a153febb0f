# frozen_string_literal: true

module IronTrellis
  module Store
    # The faults of one run by rule: how many URLs each concerns, how much they matter, and where they gather.
    class FaultBook
      # A fault on more than this share of a group's pages comes from what makes them all, not from one of them.
      TEMPLATE_SHARE = 0.5
      LEAST_PAGES = 3
      # What nearly all pages of a site have, if it is no small one, is one cause of the site.
      SITE_SHARE = 0.9
      LEAST_SITE = 20
      PAGES = "SELECT count(*) FROM %<ledger>s WHERE kind = 'html' AND indexable"
      MOST_ROWS = 200

      # Where robots.txt and sitemap files stand, which are no pages.
      ELSEWHERE = "files of the site"
      # A fault on more URLs than these is looked for among the pages that matter most, rather than sorting all that have it.
      COMMON = 5_000

      # Counted once, when the ledger of a run stands.
      ROLL_UP = <<~SQL
        WITH told AS (SELECT code, url_id, count(*) AS times FROM %<faults>s GROUP BY 1, 2),
          sizes AS (SELECT "group", count(*) AS pages FROM %<ledger>s WHERE kind = 'html' GROUP BY 1)
        INSERT INTO fault_rollups (run_id, code, "group", urls, times, importance, others, wanted, pages)
        SELECT $1, t.code, coalesce(l."group", '#{ELSEWHERE}'), count(*), sum(t.times), coalesce(sum(l.importance), 0), count(*) FILTER (WHERE l.importance IS NULL), count(*) FILTER (WHERE l.wanted),
          coalesce(max(s.pages), 0) FROM told t LEFT JOIN %<ledger>s l USING (url_id) LEFT JOIN sizes s ON s."group" = l."group" GROUP BY 2, 3
      SQL
      ROLLED_UP = %(SELECT code, "group", urls, times, importance, others, wanted, pages FROM fault_rollups WHERE run_id = $1)
      # So many crawls back is it told how many URLs a rule found.
      TREND = 12
      # Whole crawls of the site up to this one, judged by the same rules and limits, the newest first.
      BEFORE = <<~SQL
        SELECT DISTINCT ON (c.number) c.number AS crawl, r.id AS run FROM verdict_runs r JOIN crawls c ON c.id = r.crawl_id
        WHERE r.finished_at IS NOT NULL AND r.rules_digest = $1 AND c.site_id = $2 AND c.scope = '#{Crawl::WHOLE}' AND c.number <= $3 ORDER BY c.number DESC, r.id DESC LIMIT #{TREND}
      SQL
      FOUND = "SELECT run_id AS run, code, sum(urls)::integer AS urls FROM fault_rollups WHERE run_id = ANY($1::bigint[]) GROUP BY 1, 2"
      COLUMNS = %(f.url_id, f.url, f.about, f.detail, l.importance, coalesce(l."group", '#{ELSEWHERE}') AS "group", l.status)
      ROWS = <<~SQL
        SELECT #{COLUMNS} FROM %<faults>s f LEFT JOIN %<ledger>s l USING (url_id)
        WHERE f.code = $1 ORDER BY l.importance DESC NULLS LAST, f.url COLLATE "C", f.about COLLATE "C" LIMIT #{MOST_ROWS}
      SQL
      COMMON_ROWS = <<~SQL
        WITH most AS MATERIALIZED (SELECT url_id, importance, "group", status FROM %<ledger>s WHERE faults @> ARRAY[$1] AND importance IS NOT NULL ORDER BY importance DESC, url_id DESC LIMIT #{MOST_ROWS})
        SELECT #{COLUMNS} FROM most l JOIN %<faults>s f ON f.url_id = l.url_id AND f.code = $1
        ORDER BY l.importance DESC NULLS LAST, f.url COLLATE "C", f.about COLLATE "C" LIMIT #{MOST_ROWS}
      SQL

      # @param run [VerdictRun]
      def initialize(run)
        @run = run
        @names = {faults: Partitions.name("faults", run.id), ledger: Partitions.name("ledger_rows", run.id)}
      end

      # @return [Array<Hash>] by rule, by grade and of one grade the heaviest first: code, grade, why, fix, source, urls, times, wanted, weight, whole_site, groups
      #   ([{group, urls, pages, template}], most URLs first), trend ([{crawl, urls}] of the crawls judged by the same rules, the oldest first)
      def call
        Sql.rows(ROLLED_UP, [@run.id]).group_by { |row| row["code"] }.map { |code, rows| rule(code, rows) }.sort_by { |one| [*Core::Faults::Weight.order(one[:grade], one[:weight]), one[:code]] }
      end

      # @param code [String]
      # @return [Hash] rows ([{url_id, url, about, detail, importance, group, status}]), what matters most first, at most MOST_ROWS, and the number of all
      # @raise [Core::Error::NotFound]
      def occurrences(code)
        Core::Faults::Registry.fetch(code)
        urls, total = Sql.run("SELECT coalesce(sum(urls), 0), coalesce(sum(times), 0) FROM fault_rollups WHERE run_id = $1 AND code = $2", [@run.id, code]).values.first.map(&:to_i)
        rows = (urls > COMMON) ? Sql.rows(format(COMMON_ROWS, @names), [code]) : []
        # What has no importance comes after all that has some.
        rows = Sql.rows(format(ROWS, @names), [code]) if rows.size < MOST_ROWS
        {rows: rows.map { |row| row.merge("url_id" => row["url_id"].to_s) }, total: total}
      end

      # @return [void]
      def roll_up = Sql.run(format(ROLL_UP, @names), [@run.id])

      private

      def rule(code, rows)
        rule = Core::Faults::Registry.fetch(code)
        {
          code: code, grade: rule.grade, why: rule::WHY, fix: rule::FIX, source: rule::SOURCE, urls: sum(rows, "urls"), times: sum(rows, "times"), wanted: sum(rows, "wanted"),
          weight: Core::Faults::Weight.of(rule, importance: sum(rows, "importance"), others: sum(rows, "others")),
          whole_site: whole_site?(sum(rows, "urls")), groups: rows.map { |row| group(row) }.sort_by { |one| [-one[:urls], one[:group]] },
          trend: before.map { |one| {crawl: one["crawl"], urls: found.fetch([one["run"], code], 0)} }
        }
      end

      def whole_site?(urls) = urls >= LEAST_SITE && urls > SITE_SHARE * pages

      def pages = @pages ||= Sql.run(format(PAGES, @names)).getvalue(0, 0).to_i

      def before = @before ||= Sql.rows(BEFORE, [@run.rules_digest, @run.crawl.site_id, @run.crawl.number]).reverse

      def found = @found ||= Sql.rows(FOUND, [Sql.array(before.map { |one| one["run"] })]).to_h { |row| [row.values_at("run", "code"), row["urls"]] }

      def group(row)
        group, urls, pages = row.values_at("group", "urls", "pages")
        {group: group, urls: urls, pages: pages, template: pages >= LEAST_PAGES && urls > TEMPLATE_SHARE * pages}
      end

      def sum(rows, name) = rows.sum { |row| row[name] }
    end
  end
end

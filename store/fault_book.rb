# frozen_string_literal: true

module IronTrellis
  module Store
    # The faults of one run by rule: how many URLs each concerns, how much they matter, and where they gather.
    class FaultBook
      # A fault on more than this share of a group's pages comes from what makes them all, not from one of them.
      TEMPLATE_SHARE = 0.5
      LEAST_PAGES = 3
      MOST_ROWS = 200

      # Where robots.txt and sitemap files stand, which are no pages.
      ELSEWHERE = "files of the site"

      BY_GROUP = <<~SQL
        WITH told AS (SELECT code, url_id, count(*) AS times FROM %<faults>s GROUP BY 1, 2)
        SELECT t.code, coalesce(l."group", '#{ELSEWHERE}') AS "group", count(*) AS urls, sum(t.times)::bigint AS times, coalesce(sum(l.importance), 0) AS importance, count(*) FILTER (WHERE l.importance IS NULL) AS others,
          count(*) FILTER (WHERE l.wanted) AS wanted
        FROM told t LEFT JOIN %<ledger>s l USING (url_id) GROUP BY 1, 2
      SQL
      PAGES = %(SELECT "group", count(*) AS pages FROM %<ledger>s WHERE kind = 'html' GROUP BY 1)
      ROWS = <<~SQL
        SELECT f.url_id, f.url, f.about, f.detail, l.importance, coalesce(l."group", '#{ELSEWHERE}') AS "group", l.status, count(*) OVER () AS total FROM %<faults>s f LEFT JOIN %<ledger>s l USING (url_id)
        WHERE f.code = $1 ORDER BY l.importance DESC NULLS LAST, f.url COLLATE "C", f.about COLLATE "C" LIMIT #{MOST_ROWS}
      SQL

      # @param run [VerdictRun]
      def initialize(run)
        @names = {faults: Partitions.name("faults", run.id), ledger: Partitions.name("ledger_rows", run.id)}
      end

      # @return [Array<Hash>] by rule, the heaviest first: code, grade, why, fix, source, urls, times, wanted, weight, groups
      #   ([{group, urls, pages, template}], most URLs first)
      def call
        pages = Sql.rows(format(PAGES, @names)).to_h { |row| row.values_at("group", "pages") }
        rules = Sql.rows(format(BY_GROUP, @names)).group_by { |row| row["code"] }.map { |code, rows| rule(code, rows, pages) }
        rules.sort_by { |one| [-one[:weight], one[:code]] }
      end

      # @param code [String]
      # @return [Hash] rows ([{url_id, url, about, detail, importance, group, status}]), what matters most first, at most MOST_ROWS, and the number of all
      # @raise [Core::Error::NotFound]
      def occurrences(code)
        Core::Faults::Registry.fetch(code)
        rows = Sql.rows(format(ROWS, @names), [code])
        {rows: rows.map { |row| row.except("total").merge("url_id" => row["url_id"].to_s) }, total: rows.first&.fetch("total") || 0}
      end

      private

      def rule(code, rows, pages)
        rule = Core::Faults::Registry.fetch(code)
        {
          code: code, grade: rule.grade, why: rule::WHY, fix: rule::FIX, source: rule::SOURCE, urls: sum(rows, "urls"), times: sum(rows, "times"), wanted: sum(rows, "wanted"),
          weight: Core::Faults::Weight.of(rule.grade, importance: sum(rows, "importance"), others: sum(rows, "others")),
          groups: rows.map { |row| group(row, pages.fetch(row["group"], 0)) }.sort_by { |one| [-one[:urls], one[:group]] }
        }
      end

      def group(row, pages)
        {group: row["group"], urls: row["urls"], pages: pages, template: pages >= LEAST_PAGES && row["urls"] > TEMPLATE_SHARE * pages}
      end

      def sum(rows, name) = rows.sum { |row| row[name] }
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What the pages of a run are found for in the short window: queries with their pages, near wins first, with how
      # often each word stands on the page.
      class FoundFor
        MOST = 100
        MOST_PAGES = 5
        # Pages compete for a query that have a fifth at least of what the most shown one has.
        QUERIES = <<~SQL
          SELECT query_id, query, sum(clicks)::bigint AS clicks, sum(impressions)::bigint AS impressions,
            #{MeanPosition.sql} AS position, count(*) AS pages,
            coalesce(bool_or(position BETWEEN $2 AND $3), false) AS near,
            count(*) FILTER (WHERE impressions * 5 >= most) > 1 AS competing
          FROM (
            SELECT f.*, t.text AS query, max(f.impressions) OVER (PARTITION BY f.query_id) AS most
            FROM found_for f JOIN queries t ON t.id = f.query_id
            WHERE f.run_id = $1 AND ($4::text IS NULL OR t.text LIKE '%' || $4 || '%') AND f.impressions >= $5
          ) found GROUP BY 1, 2
        SQL
        ORDERS = {
          "near" => "near DESC, impressions DESC",
          "impressions" => "impressions DESC",
          "clicks" => "clicks DESC, impressions DESC",
          "competing" => "competing DESC, impressions DESC"
        }.freeze
        PAGES = <<~SQL
          SELECT f.query_id, f.url_id, l.url, l.title, l.wanted, l.lang, f.clicks, f.impressions, f.position FROM
            found_for f LEFT JOIN %<ledger>s l USING (url_id)
          WHERE f.run_id = $1 AND f.query_id = ANY($2::bigint[]) ORDER BY f.impressions DESC
        SQL
        OF_PAGES = <<~SQL
          SELECT f.url_id, l.url, l.title, l."group", l.wanted, sum(f.clicks)::bigint AS clicks,
            sum(f.impressions)::bigint AS impressions, count(*) AS queries, count(*) FILTER (WHERE f.position BETWEEN $2
              AND $3 AND f.impressions >= $5) AS near
          FROM found_for f JOIN %<ledger>s l USING (url_id) WHERE f.run_id = $1 AND ($4::text IS NULL OR l.url LIKE
            '%%' || $4 || '%%')
          GROUP BY 1, 2, 3, 4, 5 ORDER BY near DESC, impressions DESC LIMIT #{MOST} OFFSET $6
        SQL

        # @param run [Judging::VerdictRun]
        # @param first [Float] the best position of a near win
        # @param last [Float]
        # @param least [Integer] impressions
        def initialize(run, first:, last:, least:)
          @run = run
          @band = [first, last]
          @least = least
          @names = {ledger: Postgres::Partitions.name("ledger_rows", run.id)}
        end

        # @param text [String, nil] a part of the query
        # @param order [String] one of ORDERS
        # @param from [Integer]
        # @return [Hash] rows ([{query, clicks, impressions, position, near, competing, pages ([{url, …, words}])}]) and
        #   total
        def queries(text: nil, order: "near", from: 0)
          rows = Postgres::Sql.rows(<<~SQL, [@run.id, *@band, escaped(text), @least, from])
            SELECT *, count(*) OVER () AS total FROM (#{QUERIES}) all_queries ORDER BY #{ORDERS.fetch(order)}, query
            LIMIT #{MOST} OFFSET $6
          SQL
          pages = pages_of(rows.map { |row| row["query_id"] })
          {
            rows:
              rows.map do |row|
                row.except("query_id", "total").merge("pages" => told(row, pages), "page_count" => row["pages"])
              end,
            total: rows.first&.fetch("total") || 0
          }
        end

        # @param text [String, nil] a part of the address
        # @param from [Integer]
        # @return [Hash] rows, those with most near wins first
        def pages(text: nil, from: 0)
          rows = Postgres::Sql.rows(format(OF_PAGES, @names), [@run.id, *@band, escaped(text), @least, from])
          {rows: rows.map { |row| row.merge("url_id" => row["url_id"].to_s) }}
        end

        private

        def escaped(text) = text.to_s.empty? ? nil : text.downcase.gsub(/[\\%_]/) { |sign| "\\#{sign}" }

        def pages_of(ids)
          return {} if ids.empty?

          rows = Postgres::Sql.rows(format(PAGES, @names), [@run.id, Postgres::Sql.array(ids)])
          shown = rows.group_by { |row| row["query_id"] }.transform_values { |all| all.first(MOST_PAGES) }
          @texts = PageParts.new(@run.crawl).of(shown.values.flatten.map { |row| row["url_id"] }.uniq)
          shown
        end

        def told(row, pages)
          pages
            .fetch(row["query_id"], [])
            .map do |page|
              page.except("query_id", "lang").merge(
                "url_id" => page["url_id"].to_s,
                "words" => words(row["query"], page)
              )
            end
        end

        # How often each word of the query stands in each part of the page.
        def words(query, page)
          parts = @texts[page["url_id"]]&.except("description") or return []

          vocabulary = Core::Content::Vocabulary.for(page["lang"])
          vocabulary
            .stems(query)
            .map do |stem, word|
              counts = parts.transform_values { |text| vocabulary.count(text, stem) }
              {word: word, counts: counts}
            end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What the pages of a run are found for in one window: queries with their pages and how often each word stands on
      # them, and pages with how many queries they have.
      class FoundFor
        MOST = 100
        MOST_PAGES = 5
        # Farther behind nothing is found.
        LAST_PLACE = 1_000
        # So far rows are counted, and so many are taken that hold a part of a text.
        MOST_COUNTED = 10_000
        # Of so many pages, the most shown ones, it is looked which have near wins.
        MOST_LOOKED_AT = 10_000
        # By what the lists are narrowed, and how they are sorted.
        ORDERS = {
          "near" => ["q.%<near>s", "q.impressions DESC"],
          "impressions" => ["true", "q.impressions DESC"],
          "clicks" => ["true", "q.clicks DESC, q.impressions DESC"],
          "competing" => ["q.competing", "q.impressions DESC"]
        }.freeze
        NEAR_OF_PAGE =
          "FROM found_for f WHERE f.run_id = $1 AND f.span = $2 AND f.url_id = q.url_id AND " \
            "f.%<near>s AND f.impressions >= $3"
        # Of pages those that have such a query; what competes is told of queries only.
        ORDERS_OF_PAGES =
          ORDERS.except("competing").merge("near" => ["EXISTS (SELECT 1 #{NEAR_OF_PAGE})", "q.impressions DESC"]).freeze
        FROM_QUERIES = <<~SQL
          FROM found_queries q WHERE q.run_id = $1 AND q.span = $2 AND q.impressions >= $3 AND
            ($4::bigint[] IS NULL OR q.query_id = ANY($4::bigint[])) AND %<only>s
        SQL
        QUERIES = <<~SQL
          SELECT q.query_id, (SELECT text FROM queries t WHERE t.id = q.query_id) AS query, q.clicks, q.impressions,
            round(q.position::numeric, 1)::double precision AS position, q.pages AS page_count,
            coalesce(q.%<near>s, false) AS near, q.competing
          %<from>s ORDER BY %<order>s, q.query_id LIMIT #{MOST} OFFSET $5
        SQL
        PAGES_OF = <<~SQL
          SELECT f.query_id, f.url_id, l.url, l.title, l.wanted, l.lang, f.clicks, f.impressions, f.position
          FROM found_for f LEFT JOIN %<ledger>s l USING (url_id)
          WHERE f.run_id = $1 AND f.span = $2 AND f.query_id = ANY($3::bigint[]) ORDER BY f.impressions DESC, l.url
        SQL
        # Of the most shown ones, or those with most clicks, in order.
        KEPT_PAGES = <<~SQL
          SELECT q.url_id FROM (
            SELECT * FROM found_pages q WHERE q.run_id = $1 AND q.span = $2 AND q.impressions >= $3 AND
              ($4::bigint[] IS NULL OR q.url_id = ANY($4::bigint[]))
            ORDER BY %<order>s, q.url_id LIMIT #{MOST_LOOKED_AT}
          ) q WHERE %<only>s ORDER BY %<order>s, q.url_id
        SQL
        PAGES = <<~SQL
          SELECT q.url_id::text, l.url, l.title, l."group", l.wanted, q.clicks, q.impressions, q.queries,
            (SELECT count(*) #{NEAR_OF_PAGE}) AS near
          FROM found_pages q JOIN %<ledger>s l USING (url_id)
          WHERE q.run_id = $1 AND q.span = $2 AND q.url_id = ANY($4::bigint[]) ORDER BY %<order>s, q.url_id
        SQL
        QUERY_TEXTS = "SELECT id FROM queries WHERE text LIKE '%' || $1 || '%' LIMIT #{MOST_COUNTED}"
        ADDRESSES = "SELECT url_id FROM %<ledger>s WHERE url LIKE '%%' || $1 || '%%' LIMIT #{MOST_COUNTED}"

        # @param run [Judging::VerdictRun]
        # @param span [String] one of Core::Evidence::Windows::SPANS
        # @param first [Float] the best position of a near win
        # @param last [Float]
        # @param least [Integer] impressions of a query, or of a page
        def initialize(run, first:, last:, least:, span: Core::Evidence::Windows::SPANS.first)
          @run = run
          @limits = [run.id, span, least]
          @near = "position BETWEEN #{[first, last].map { |place| place.to_f.clamp(0, LAST_PLACE) }.join(" AND ")}"
          @ledger = Postgres::Partitions.name("ledger_rows", run.id)
        end

        # @param text [String, nil] a part of the query
        # @param order [String] one of ORDERS
        # @param from [Integer]
        # @return [Hash] rows ([{query, clicks, impressions, position, near, competing, page_count, pages ([{url, …,
        #   words}])}]) and total, as far as MOST_COUNTED
        def queries(text: nil, order: "near", from: 0)
          found = found(QUERIES, FROM_QUERIES, ORDERS.fetch(order), ids(QUERY_TEXTS, text), from)
          pages = pages_of(found[:rows].map { |row| row["query_id"] })
          rows = found[:rows].map { |row| row.except("query_id").merge("pages" => pages_with_words(row, pages)) }
          found.merge(rows: rows)
        end

        # @param text [String, nil] a part of the address
        # @param order [String] one of ORDERS_OF_PAGES
        # @param from [Integer]
        # @return [Hash] rows and total
        def pages(text: nil, order: "near", from: 0)
          only, order = ORDERS_OF_PAGES.fetch(order)
          kept_pages = format(KEPT_PAGES, only: format(only, near: @near), order: order)
          addressed = ids(format(ADDRESSES, ledger: @ledger), text)
          kept = Postgres::Sql.run(kept_pages, [*@limits, addressed]).column_values(0)
          rows = format(PAGES, near: @near, ledger: @ledger, order: order)
          shown = Postgres::Sql.array(kept[from, MOST] || [])
          {rows: Postgres::Sql.rows(rows, [*@limits, shown]), total: kept.size}
        end

        private

        def found(sql, source, (only, order), ids, from)
          source = format(source, only: format(only, near: @near))
          params = [*@limits, ids]
          rows = format(sql, near: @near, from: source, order: order)
          counted = "SELECT count(*) AS total FROM (SELECT 1 #{source} LIMIT #{MOST_COUNTED}) counted"
          {rows: Postgres::Sql.rows(rows, [*params, from]), total: Postgres::Sql.rows(counted, params).first["total"]}
        end

        # What holds a part of a text; nil where none is asked for.
        def ids(sql, text)
          part = escaped(text) or return
          Postgres::Sql.array(Postgres::Sql.run(sql, [part]).column_values(0))
        end

        def escaped(text) = text.to_s.empty? ? nil : text.downcase.gsub(/[\\%_]/) { |sign| "\\#{sign}" }

        def pages_of(ids)
          return {} if ids.empty?

          rows = Postgres::Sql.rows(format(PAGES_OF, ledger: @ledger), [*@limits.first(2), Postgres::Sql.array(ids)])
          shown = rows.group_by { |row| row["query_id"] }.transform_values { |all| all.first(MOST_PAGES) }
          @texts = PageParts.new(@run.crawl).of(shown.values.flatten.map { |row| row["url_id"] }.uniq)
          shown
        end

        def pages_with_words(row, pages)
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

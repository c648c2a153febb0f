# frozen_string_literal: true

module IronTrellis
  module Store
    module Links
      # The links that a crawl found, those that meet the conditions: in pages, as totals, gathered by one column, or
      # all of them.
      class Table
        include Enumerable

        PAGE = 200
        # So long may a statement take.
        MOST_SECONDS = 8
        MOST_GATHERED = 1_000
        GATHERED = %w[value links pages targets].freeze

        # @param crawl [Crawling::Crawl] judged
        # @param where [Hash, nil] a tree of conditions (Ledger::Conditions) on columns of Fields
        # @param sort [String, nil] a column, with "-" in front for descending; nil for the order of the pages, and
        #   within one of the source
        # @param only [Array<String>] the columns of its file; all where it is left out
        # @raise [Core::Error::InvalidInput]
        def initialize(crawl, where: nil, sort: nil, only: Fields.names)
          @crawl = crawl
          @fields = Fields.new(crawl)
          @conditions = Ledger::Conditions.new(where, fields: @fields)
          @sort = sort
          @only = only.each { |name| @fields.kind(name) }
          @fields.kind(sort.delete_prefix("-")) if sort
        end

        # @param from [Integer] how many to leave out
        # @return [Hash] rows (by column, with source_id and target_id as strings, and position, its number on the
        #   page), at most PAGE, and next (how many to leave out for those after them; nil where there are none)
        # @raise [Core::Error::TooMuch]
        def page(from: 0)
          rows =
            bounded do
              Postgres::Sql.rows(
                "SELECT k.source_id::text AS source_id, k.target_id::text AS target_id, " \
                "k.position, #{columns(Fields.names)} #{from_where} #{order} LIMIT #{PAGE + 1} OFFSET #{Integer(from)}",
                @conditions.params
              )
            end
          {rows: rows.first(PAGE), next: (rows.size > PAGE) ? from + PAGE : nil}
        end

        # @return [Hash] links, pages (on which they stand), targets, and by type how many; nil each where they can't be
        #   counted in time
        def totals
          rows = Postgres::Sql.bounded(MOST_SECONDS) do
            Postgres::Sql.rows(
              "SELECT #{@fields.sql("type")} AS type, count(*) AS links, count(DISTINCT k.source_id) AS pages, " \
              "count(DISTINCT k.target_id) AS targets, grouping(k.type) AS whole #{from_where} GROUP BY GROUPING " \
              "SETS ((k.type), ())",
              @conditions.params
            )
          end
          whole, types = rows.partition { |row| row["whole"] == 1 }
          whole
            .first
            .slice("links", "pages", "targets")
            .merge("types" => types.sort_by { |row| -row["links"] }.map { |row| row.slice("type", "links") })
        rescue Postgres::Sql::Late
          {"links" => nil, "pages" => nil, "targets" => nil, "types" => nil}
        end

        # @param column [String]
        # @return [Hash] rows ([{value, links, pages, targets}]), what most links have first, at most MOST_GATHERED;
        #   values, the number of all; of a target also its id and status
        # @raise [Core::Error::InvalidInput]
        # @raise [Core::Error::TooMuch]
        def gathered(column)
          ends = %w[source target].include?(column)
          value = ends ? @fields.sql(column) : written(column)
          rows = bounded do
            Postgres::Sql.rows(<<~SQL, @conditions.params)
              SELECT #{value} AS value, count(*) AS links, count(DISTINCT k.source_id) AS pages, count(DISTINCT
                k.target_id) AS targets, count(*) OVER () AS values
                #{of_end(column) if ends}
              #{from_where} GROUP BY 1 ORDER BY 3 DESC, 2 DESC, 1 LIMIT #{MOST_GATHERED}
            SQL
          end
          {rows: rows.map { |row| row.except("values") }, values: rows.first&.fetch("values") || 0}
        end

        # @return [Array<String>] columns of its file
        def columns_of_file = @only

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each
          Postgres::Sql.stream("SELECT #{columns(@only)} #{from_where} #{order}", @conditions.params) do |rows|
            rows.each { |row| yield row.values_at(*@only) }
          end
        end

        private

        def of_end(column)
          side = (column == "target") ? "t" : "s"
          ", min(k.#{column}_id)::text AS url_id, min(#{side}.status) AS status"
        end

        def columns(names) = names.map { |name| %(#{@fields.sql(name)} AS "#{name}") }.join(", ")

        def from_where
          ledger = Postgres::Partitions.name("ledger_rows", @crawl.verdict_run.id)
          "FROM #{Postgres::Partitions.name("links", @crawl.id)} k JOIN #{ledger} s ON s.url_id = k.source_id JOIN " \
          "urls u ON u.id = k.target_id LEFT JOIN #{ledger} t ON t.url_id = k.target_id WHERE #{@conditions.sql}"
        end

        def order
          return "ORDER BY k.source_id, k.position" unless @sort

          name = @sort.delete_prefix("-")
          "ORDER BY #{written(name)} #{"DESC" if @sort.start_with?("-")} NULLS LAST, k.source_id, k.position"
        end

        def written(name) =
          %i[text set].include?(@fields.kind(name)) ? "nullif(#{@fields.sql(name)}, '')" : @fields.sql(name)

        def bounded(&block)
          Postgres::Sql.bounded(MOST_SECONDS, &block)
        rescue Postgres::Sql::Late
          raise Core::Error::TooMuch.new(
                  "There are too many links to sort or count them within #{MOST_SECONDS} s. Narrow them to fewer " \
                  "first: to a page, to a target, or to a status."
                )
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # Where one rule found its fault in one run: each occurrence with what it tells, or gathered by what is the same
      # in many.
      class FaultPlaces
        include Enumerable

        PAGE = 200
        MOST_GATHERED = 500
        # A fault on more URLs than these is looked for among the pages that matter most, rather than sorting all that
        # have it.
        COMMON = 5_000

        COLUMNS =
          "f.url_id, f.url, f.about, f.detail, l.importance, " \
          "coalesce(l.\"group\", '#{Causes::ELSEWHERE}') AS \"group\", l.status, l.wanted"
        FROM = "FROM %<faults>s f LEFT JOIN %<ledger>s l USING (url_id) WHERE f.code = $1"
        ORDER = %(ORDER BY l.importance DESC NULLS LAST, f.url COLLATE "C", f.about COLLATE "C")
        COMMON_ROWS = <<~SQL
          WITH most AS MATERIALIZED (SELECT url_id, importance, "group", status, wanted FROM %<ledger>s WHERE faults @>
            ARRAY[$1] AND importance IS NOT NULL ORDER BY importance DESC, url_id DESC LIMIT #{PAGE})
          SELECT #{COLUMNS} FROM most l JOIN %<faults>s f ON f.url_id = l.url_id AND f.code = $1 #{ORDER} LIMIT #{PAGE}
        SQL
        NARROWED = {
          group: %(coalesce(l."group", '#{Causes::ELSEWHERE}') = %<value>s),
          host: "#{format(Causes::HOST, url: "f.url")} = %<value>s",
          same: "%<same>s = %<value>s",
          text: "(f.url ILIKE %<value>s OR f.about ILIKE %<value>s OR f.detail::text ILIKE %<value>s)"
        }.freeze
        GATHERED = <<~SQL
          SELECT %<same>s AS same, count(*)::integer AS times, count(DISTINCT f.url_id)::integer AS urls,
            max(l.importance) AS importance,
            (array_agg(f.url_id::text ORDER BY l.importance DESC NULLS LAST, f.url))[1] AS url_id, (array_agg(f.url
              ORDER BY l.importance DESC NULLS LAST, f.url))[1] AS url
          %<from>s AND %<same>s IS NOT NULL GROUP BY 1 ORDER BY 3 DESC, 4 DESC NULLS LAST, 1 LIMIT #{MOST_GATHERED}
        SQL
        HEAD = %w[url code title grade group status importance wanted].freeze

        # @param run [Judging::VerdictRun]
        # @param code [String] of a rule
        # @param narrowed [Hash{Symbol => String, nil}] by group, host, same (a value by which the rule's faults are
        #   gathered) and text (a part of the URL, or of what the fault tells)
        # @raise [Core::Error::NotFound] where there is no such rule
        # @raise [Core::Error::InvalidInput] where the rule's faults have nothing in common to be gathered by
        def initialize(run, code, narrowed = {})
          @rule = Core::Faults::Registry.fetch(code)
          @run = run
          @names = {
            faults: Postgres::Partitions.name("faults", run.id),
            ledger: Postgres::Partitions.name("ledger_rows", run.id)
          }
          @narrowed = narrowed.compact.reject { |_, value| value.empty? }
          alone! if @narrowed.key?(:same) && @rule.same.nil?
        end

        # @param from [Integer] how many to leave out
        # @return [Hash] rows ([{url_id, url, about, details, importance, group, status, wanted}]), what matters most
        #   first, at most PAGE of them; total, the number of all; urls
        def occurrences(from: 0)
          total, urls = counted
          rows =
            (
              if from.zero? && @narrowed.empty? && urls > COMMON
                Postgres::Sql.rows(format(COMMON_ROWS, @names), [@rule.code])
              else
                []
              end
            )
          # What has no importance comes after all that has some.
          if rows.size < PAGE
            rows =
              Postgres::Sql.rows(
                "SELECT #{COLUMNS} #{from_where} #{ORDER} LIMIT #{PAGE} OFFSET #{Integer(from)}",
                params
              )
          end
          {
            rows:
              rows.map do |row|
                row.except("detail").merge("url_id" => row["url_id"].to_s, "details" => details(row).map(&:to_h))
              end,
            total: total,
            urls: urls
          }
        end

        # @return [Hash] rows ([{same, times, urls, importance, url_id, url}], the page that matters most of each), what
        #   is on most URLs first, at most MOST_GATHERED of them
        # @raise [Core::Error::InvalidInput] where the rule's faults have nothing in common to be gathered by
        def gathered
          alone! unless @rule.same
          {rows: Postgres::Sql.rows(format(GATHERED, same: same, from: from_where), params), name: name_of_same}
        end

        # @return [Array<String>] columns of the table of all occurrences
        def columns = HEAD + detail_names

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each
          Postgres::Sql.stream("SELECT #{COLUMNS} #{from_where} #{ORDER}", params) do |rows|
            rows.each { |row| yield cells(row) }
          end
        end

        private

        def alone! =
          raise(
            Core::Error::InvalidInput.new(
              "Faults “#{@rule.title}” have nothing in common to be gathered by.",
              code: @rule.code
            )
          )

        # The value that many faults of the rule may share.
        def same = (@rule.same == "about") ? "f.about" : "f.detail->>'#{@rule.same}'"

        def name_of_same =
          (@rule.same == "about") ? @rule.about : Core::Faults::Details.name_of(@rule, @rule.same).first

        def from_where
          conditions =
            @narrowed.keys.each_with_index.map do |name, index|
              format(NARROWED.fetch(name), value: "$#{index + 2}", same: @rule.same && same)
            end
          [format(FROM, @names), *conditions].join(" AND ")
        end

        def params =
          [
            @rule.code,
            *@narrowed.map do |name, value|
              (name == :text) ? "%#{value.gsub(/[\\%_]/) { |sign| "\\#{sign}" }}%" : value
            end
          ]

        def counted
          if @narrowed.any?
            return (
              Postgres::Sql
                .run("SELECT count(*), count(DISTINCT f.url_id) #{from_where}", params)
                .values
                .first
                .map(&:to_i)
            )
          end

          Postgres::Sql
            .run(
              "SELECT coalesce(sum(times), 0), coalesce(sum(urls), 0) FROM fault_rollups WHERE run_id = $1 AND code " \
              "= $2",
              [@run.id, @rule.code]
            )
            .values
            .first
            .map(&:to_i)
        end

        def details(row) = Core::Faults::Details.of(@rule, row["about"], row["detail"])

        # The names of what the occurrences tell, in the order in which they come up.
        def detail_names
          @detail_names ||=
            Postgres::Sql
              .rows(
                "SELECT DISTINCT ON (k.keys) (f.about IS NOT NULL) AS about, f.about AS text, f.detail FROM " \
                "%<faults>s f, LATERAL (SELECT array_agg(key ORDER BY key) AS keys FROM jsonb_each(f.detail)) k " \
                "WHERE f.code = $1" %
                  @names,
                [@rule.code]
              )
              .flat_map { |row| Core::Faults::Details.of(@rule, row["text"], row["detail"]).map(&:name) }
              .uniq
        end

        def cells(row)
          values = details(row).to_h { |one| [one.name, one.value] }
          [
            row["url"],
            @rule.code,
            @rule.title,
            @rule.grade,
            *row.values_at("group", "status", "importance", "wanted"),
            *values.values_at(*detail_names)
          ]
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Evidence
      # Rows of one import on their way into the tables: they are gathered in a table of their own, which goes with the
      # connection, and then taken over in one step, so that nothing is half done.
      class Staging
        TYPES = {
          "day" => "date",
          "dated" => "boolean",
          "url_id" => "bigint",
          "target_id" => "bigint",
          "source_id" => "bigint",
          "query_id" => "bigint",
          "clicks" => "bigint",
          "impressions" => "bigint",
          "count" => "bigint",
          "position" => "double precision",
          "first_seen" => "date",
          "last_fetched" => "date",
          "more" => "jsonb"
        }.freeze
        # Digits of a mean position; beyond them it depends on the order of adding.
        DIGITS = 6
        ADDED = {
          "clicks" => "sum(clicks)::bigint",
          "impressions" => "sum(impressions)::bigint",
          "position" =>
            "CASE WHEN count(*) = 1 THEN max(position) ELSE #{MeanPosition.sql(digits: DIGITS)} END"
        }.freeze
        # Of the database, for sorting a large file.
        WORK_MEMORY = "256MB"
        # After so many new rows the planner is told: else it takes the table for empty at the next import.
        MANY = 10_000
        OUTCOMES = %w[kept unchanged replaced].freeze

        # @param kind [String]
        def initialize(kind)
          @table = Tables.fetch(kind)
          Postgres::Sql.raw.exec(<<~SQL)
            DROP TABLE IF EXISTS incoming, merged;
            CREATE TEMPORARY TABLE incoming (line integer NOT NULL, spelled bigint NOT NULL,
              #{@table.columns.map { |name| "#{name} #{TYPES.fetch(name, "text")}" }.join(", ")})
          SQL
          @copy = Postgres::BulkCopy.new("incoming", ["line", "spelled", *@table.columns])
        end

        # @param rows [Array<Hash{String => Object}>] line, spelled (a number for the spelling) and the columns of the
        #   table
        # @return [void]
        def add(rows)
          @copy.call("incoming", rows.map { |row| row.values_at("line", "spelled", *@table.columns) })
        end

        # @return [Array<Date>] days that rows have themselves, the newest first
        def days =
          Postgres::Sql
            .rows("SELECT DISTINCT day FROM incoming WHERE day IS NOT NULL ORDER BY day DESC")
            .map { |row| row["day"] }

        # Takes the rows over. Belongs into a transaction.
        #
        # @param import [Import]
        # @param day [Date] of rows without a day of their own
        # @return [Hash] kept, unchanged, replaced (rows of the file) and days (those that it speaks of)
        def take_over(import, day)
          Postgres::Sql.raw.exec("SET LOCAL work_mem = '#{WORK_MEMORY}'")
          Postgres::Sql.run("UPDATE incoming SET day = $1 WHERE day IS NULL", [day.iso8601])
          merge(import)
          supersede(import)
          insert(import)
          outcomes.merge("days" => Postgres::Sql.run("SELECT DISTINCT day FROM incoming ORDER BY 1").column_values(0))
        end

        # @param crawl [Crawling::Crawl, nil]
        # @param about [String] the column of the URL
        # @return [Integer] URLs of rows that are new, of which the crawl has none
        def not_crawled(crawl, about)
          known =
            crawl &&
            "AND NOT EXISTS (SELECT 1 FROM #{Postgres::Partitions.name("frontier", crawl.id)} f WHERE " \
              "f.url_id = merged.#{about})"
          Postgres::Sql.rows("SELECT count(DISTINCT #{about}) FROM merged WHERE outcome = 'kept' #{known}").first[
            "count"
          ]
        end

        # @return [void]
        def drop = Postgres::Sql.raw.exec("DROP TABLE IF EXISTS incoming, merged")

        private

        def key = @table.key - ["index_id"]

        # Of one spelling the last row stands.
        def last_rows
          spelled = @table.adding ? ", spelled" : ""
          "SELECT DISTINCT ON (#{key.join(", ")}#{spelled}) * FROM incoming ORDER BY #{key.join(", ")}#{spelled}, " \
            "line DESC"
        end

        def one_a_key
          return "SELECT #{@table.columns.join(", ")} FROM (#{last_rows}) last" unless @table.adding

          added = @table.values.map { |name| "#{ADDED.fetch(name)} AS #{name}" }
          "SELECT #{(key + added).join(", ")} FROM (#{last_rows}) last GROUP BY #{key.join(", ")}"
        end

        def merge(import)
          same = key.map { |name| "c.#{name} = n.#{name}" }.join(" AND ")
          equal = "(#{list("c", @table.values)}) IS NOT DISTINCT FROM (#{list("n", @table.values)})"
          Postgres::Sql.raw.exec("ANALYZE incoming")
          Postgres::Sql.run(<<~SQL)
            CREATE TEMPORARY TABLE merged AS SELECT n.*, CASE WHEN c.import_id IS NULL THEN 'kept' WHEN #{equal} THEN
              'unchanged' ELSE 'replaced' END AS outcome
            FROM (#{one_a_key}) n LEFT JOIN #{@table.name} c ON #{same} AND c.superseded_by IS NULL AND
              c.site_id = #{import.site_id} #{"AND c.index_id = #{import.index_id}" if @table.of_index?}
          SQL
          Postgres::Sql.raw.exec("ANALYZE merged")
        end

        def list(of, names) = names.map { |name| "#{of}.#{name}" }.join(", ")

        def supersede(import)
          same = key.map { |name| "c.#{name} = m.#{name}" }.join(" AND ")
          Postgres::Sql.run(
            "UPDATE #{@table.name} c SET superseded_by = $1 FROM merged m WHERE m.outcome = 'replaced' AND #{same} " \
              "AND c.superseded_by IS NULL AND c.site_id = $2 #{
                "AND c.index_id = #{import.index_id}" if @table.of_index?
              }",
            [import.id, import.site_id]
          )
        end

        def insert(import)
          index = @table.of_index? ? ["index_id", ", #{import.index_id}"] : [nil, ""]
          columns = ["site_id", "import_id", index[0], *@table.columns].compact.join(", ")
          inserted =
            Postgres::Sql.run(
              "INSERT INTO #{@table.name} (#{columns}) SELECT $1, $2#{index[1]}, #{@table.columns.join(", ")} FROM " \
                "merged WHERE outcome <> 'unchanged'",
              [import.site_id, import.id]
            )
          Postgres::Sql.raw.exec("ANALYZE #{@table.name}") if inserted.cmd_tuples >= MANY
        end

        # Every row of the file counts: one that a later row of the file stands for is replaced by it, or says the same.
        def outcomes
          none = OUTCOMES.to_h { |name| [name, 0] }
          simple =
            Postgres::Sql
              .rows("SELECT outcome, count(*) FROM merged GROUP BY 1")
              .to_h { |row| row.values_at("outcome", "count") }
          if simple.values.sum == Postgres::Sql.rows("SELECT count(*) FROM incoming").first["count"]
            return none.merge(simple)
          end

          spelled = @table.adding ? ["spelled"] : []
          same = (key + spelled).map { |name| "l.#{name} = i.#{name}" }.join(" AND ")
          of_key = key.map { |name| "m.#{name} = i.#{name}" }.join(" AND ")
          equal = "(#{list("l", @table.values)}) IS NOT DISTINCT FROM (#{list("i", @table.values)})"
          found = Postgres::Sql.rows(<<~SQL)
            SELECT CASE WHEN l.line = i.line THEN m.outcome WHEN #{equal} THEN 'unchanged' ELSE 'replaced' END AS
              outcome, count(*) FROM incoming i
            JOIN (#{last_rows}) l ON #{same} JOIN merged m ON #{of_key}
            GROUP BY 1
          SQL
          none.merge(found.to_h { |row| row.values_at("outcome", "count") })
        end
      end
    end
  end
end

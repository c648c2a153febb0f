# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Triage
      # What was sorted out of what an index left out, kept until it is sorted again. What was accepted, or put into
      # another class by hand, stays so.
      class KeptLines
        MOST = 200
        PORTION = 5_000
        PUT = <<~SQL
          INSERT INTO triage_lines (index_id, url_id, url, class, "group", line)
          SELECT $1, * FROM unnest($2::bigint[], $3::text[], $4::text[], $5::text[], $6::jsonb[])
          ON CONFLICT (index_id, url_id) DO UPDATE SET url = excluded.url, class = excluded.class, "group" =
            excluded."group", line = excluded.line
        SQL
        IN_FORCE = "coalesce(own_class, class)"

        # @param index [Evidence::Index]
        def initialize(index)
          @index = index
        end

        # @param lines [Array<Hash{String => Object}>] as of Work::Triage::Lines
        # @param live [Boolean] whether the URLs were looked at
        # @param now [Time]
        # @return [void]
        def replace(lines, live:, now:)
          ids = lines.to_h { |line| [Core::Url::NormalForm.id(@index.site_id, line["url"]), line] }
          Postgres::Sql.run(
            "DELETE FROM triage_lines WHERE index_id = $1 AND url_id <> ALL($2::bigint[])",
            [@index.id, Postgres::Sql.array(ids.keys)]
          )
          ids.each_slice(PORTION) do |some|
            rows = some.map { |id, line| [id, *line.values_at("url", "class", "group"), JSON.generate(line)] }
            Postgres::Sql.run(PUT, [@index.id, *Postgres::Sql.columns(rows)])
          end
          @index.update!(sorted_at: now, sorted_live: live)
        end

        # @return [Array<Hash>] class, urls, accepted, of every class in the order of the classes
        def trays
          counts = Postgres::Sql.rows(
            "SELECT #{IN_FORCE} AS class, count(*) AS urls, count(accepted_at) AS accepted FROM triage_lines WHERE " \
            "index_id = $1 GROUP BY 1",
            [@index.id]
          ).to_h { |row| [row["class"], row] }
          Core::Triage::Classes::ALL.values.map do |kind|
            {
              class: kind.name,
              label: kind.label,
              act: kind.act,
              urls: counts.dig(kind.name, "urls") || 0,
              accepted: counts.dig(kind.name, "accepted") || 0
            }
          end + unknown(counts)
        end

        # @param name [String, nil] of a class; nil for what nobody looked at
        # @param from [Integer]
        # @return [Hash] rows and total, what matters most first
        def of(name, from: 0)
          rows = Postgres::Sql.rows(
            "SELECT url_id, line, own_class, class, accepted_by, accepted_at, count(*) OVER () AS total FROM " \
            "triage_lines WHERE index_id = $1 AND #{IN_FORCE} IS NOT DISTINCT FROM $2 ORDER BY " \
            "coalesce((line ->> 'clicks')::bigint, 0) DESC, coalesce((line ->> 'links_in')::bigint, 0) DESC, url " \
            "LIMIT #{MOST} OFFSET $3",
            [@index.id, name, from]
          )
          {rows: rows.map { |row| view(row) }, total: rows.first&.fetch("total") || 0}
        end

        # @param ids [Array<Integer>]
        # @return [Array<Hash>] url_id, line, class in force, of those that aren't accepted
        def open(ids) =
          Postgres::Sql.rows(
            "SELECT url_id, line, #{IN_FORCE} AS class, own_class FROM triage_lines WHERE index_id = $1 AND url_id = " \
            "ANY($2::bigint[]) AND accepted_at IS NULL ORDER BY url",
            [@index.id, Postgres::Sql.array(ids)]
          )

        # @param name [String]
        # @return [Array<Integer>] ids of all of a class that aren't accepted
        def ids_of(name) =
          Postgres::Sql.run(
            "SELECT url_id FROM triage_lines WHERE index_id = $1 AND #{IN_FORCE} = $2 AND accepted_at IS NULL",
            [@index.id, name]
          ).column_values(0).map(&:to_i)

        # @param ids [Array<Integer>]
        # @param name [String] the class that somebody chose
        # @return [void]
        def put_into(ids, name) =
          Postgres::Sql.run(
            "UPDATE triage_lines SET own_class = nullif($3, class) WHERE index_id = $1 AND url_id = ANY($2::bigint[])",
            [@index.id, Postgres::Sql.array(ids), name]
          )

        # @param ids [Array<Integer>]
        # @return [void]
        def accept(ids, by:, now:) =
          Postgres::Sql.run(
            "UPDATE triage_lines SET accepted_by = $3, accepted_at = $4 WHERE index_id = $1 AND url_id = " \
            "ANY($2::bigint[])",
            [@index.id, Postgres::Sql.array(ids), by, now.utc.iso8601(6)]
          )

        private

        def unknown(counts)
          open = counts[nil] or return []
          [{class: nil, label: "Not looked at", act: "Look at it", urls: open["urls"], accepted: 0}]
        end

        def view(row)
          row["line"].merge(
            "url_id" => row["url_id"].to_s,
            "class" => row["own_class"] || row["class"],
            "chosen" => !row["own_class"].nil?,
            "accepted_by" => row["accepted_by"],
            "accepted_at" => row["accepted_at"]&.iso8601
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Store
    module Evidence
      # What addresses that moved had by the search record, and what those have to which they moved.
      class Heirs
        MOVED = Core::Evidence::Standing::MOVED
        SUMS = <<~SQL
          SELECT coalesce(sum(clicks), 0)::bigint AS clicks, coalesce(sum(impressions), 0)::bigint AS impressions,
            #{MeanPosition.sql} AS position
          FROM search_pages r WHERE r.index_id = $1 AND r.superseded_by IS NULL AND r.dated AND r.url_id = %<url>s AND
            r.day BETWEEN %<first>s AND %<last>s
        SQL
        BEFORE = {first: "m.since - $4::integer", last: "m.since - 1"}.freeze
        ROWS = <<~SQL
          SELECT m.old, m.since, to_jsonb(a) AS before, to_jsonb(b) AS beside, to_jsonb(c) AS now
          FROM (
            SELECT p.old, p.new, min(s.day) AS since FROM unnest($2::bigint[], $3::bigint[]) AS p (old, new)
            JOIN evidence e ON e.index_id = $1 AND e.kind = 'standings'
            JOIN standings s ON s.index_id = $1 AND s.day = e.day AND s.url_id = p.old AND s.superseded_by IS NULL AND
              s.state = '#{MOVED}'
            GROUP BY 1, 2
          ) m
          CROSS JOIN LATERAL (#{format(SUMS, url: "m.old", **BEFORE)}) a
          CROSS JOIN LATERAL (#{format(SUMS, url: "m.new", **BEFORE)}) b
          CROSS JOIN LATERAL (#{format(SUMS, url: "m.new", first: "$5::date - $4::integer + 1", last: "$5::date")}) c
        SQL

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @site = run.crawl.site
          @index = run.evidence["index"]
          @newest = run.evidence["record"]&.then { |day| Date.iso8601(day) }
        end

        # @param moves [Hash{String => String}] by the old address, the new one
        # @return [Hash{String => Hash}] by the old address, of those that the index knows as moved: since, before,
        #   beside, now and share (see Core::Evidence::Heir)
        def of(moves)
          return {} if @newest.nil? || moves.empty?

          olds = moves.keys.to_h { |url| [id(url), url] }
          ids = [olds.keys, moves.values.map { |url| id(url) }].map { |some| Postgres::Sql.array(some) }
          Postgres::Sql
            .rows(ROWS, [@index, *ids, @site.evidence_reading.fetch("days"), @newest.iso8601])
            .to_h { |row| [olds.fetch(row["old"]), build(row)] }
        end

        private

        def id(url) = Core::Url::NormalForm.id(@site.id, url)

        def build(row)
          heir = Core::Evidence::Heir.new(**row.except("old").transform_keys(&:to_sym))
          heir.to_h.merge(since: heir.since.iso8601, share: heir.share)
        end
      end
    end
  end
end

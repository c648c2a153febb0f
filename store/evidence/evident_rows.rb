# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Evidence
      # Staged rows of a run of which evidence speaks, with what rules of evidence ask besides.
      class EvidentRows
        COLUMNS = (Judging::StagedRows::SUBJECT + %w[lang links_in] + Core::Ledger::Registry.of(:evidence)).uniq.freeze
        OWN_QUERIES = %w[queries].freeze
        BEFORE_INDEX = Core::Ladder::Climb::NAMES - [Core::Ladder::Rungs::Indexed::NAME]
        PASSES = JSON.generate(BEFORE_INDEX.map { |rung| {rung: rung, state: "pass"} })
        # Of which query a page was found in the short window, how often and where, of those that were shown so often.
        QUERIES = <<~SQL
          SELECT f.url_id, jsonb_agg(jsonb_build_object('query', t.text, 'impressions', f.impressions, 'position',
            f.position) ORDER BY f.impressions DESC, t.text) AS found_for
          FROM found_for f JOIN queries t ON t.id = f.query_id
          WHERE f.run_id = $2 AND f.span = '#{Core::Evidence::Windows::SPANS.first}' AND f.impressions >= $3 GROUP BY 1
        SQL
        ROWS = <<~SQL
          SELECT #{(COLUMNS - OWN_QUERIES).map { |column| %(s."#{column}") }.join(", ")}, coalesce(e.first_seen,
            e.standing_since) AS standing_since, e.last_in_index, e.short_impressions, e.long_clicks,
            NOT (#{Judging::StagedCopies::STOPS}) IS TRUE AND s.climb @> '#{PASSES}' AS passes, q.found_for AS queries,
            CASE WHEN v.checked_at > coalesce(s.fetched_at, '-infinity') THEN v.facts || jsonb_build_object('status',
              v.status) END AS live, h.ends_on AS hide_ends
          FROM %<stage>s s LEFT JOIN %<copies>s c USING (url_id) LEFT JOIN %<evidence>s e USING (url_id)
            LEFT JOIN (#{QUERIES.strip}) q USING (url_id)
            LEFT JOIN live_checks v ON v.site_id = $4 AND v.url_id = s.url_id
            LEFT JOIN index_hides h ON h.index_id = $1 AND h.url_id = s.url_id AND NOT h.proved AND NOT h.only_copy AND
              h.ends_on >= $5
          WHERE (s.standing IS NOT NULL OR e.url_id IS NOT NULL OR h.url_id IS NOT NULL) AND s.kind IS DISTINCT FROM
            '#{Core::Page::Kind::EXTERNAL}'
        SQL
        GROUPS = <<~SQL
          SELECT "group" AS name, count(*) AS in_index, count(*) FILTER (WHERE intent = 'keep_out' OR coalesce(clicks,
            0) = 0 AND coalesce(impressions, 0) = 0) AS useless
          FROM %<stage>s WHERE standing = '#{Core::Evidence::Standing::IN_INDEX}' GROUP BY 1
        SQL

        # @param run [Judging::VerdictRun]
        # @param stage [String] the table of staged rows
        # @param copies [String]
        # @param evidence [String]
        def initialize(run, stage:, copies:, evidence:)
          @run = run
          @names = Postgres::Partitions.of_crawl(run.crawl_id).merge(stage: stage, copies: copies, evidence: evidence)
        end

        # @param basis [Core::Evidence::Basis]
        # @param least [Integer] impressions of a query that is told
        # @yieldparam rows [Array<Hash>]
        # @return [void]
        def each(basis, least, &block)
          params = [basis.index, @run.id, least, @run.crawl.site_id, basis.today.iso8601]
          Postgres::Sql.stream(format(ROWS, @names), params, portion: 1000, &block)
        end

        # @return [Array<Hash>] name, in_index, useless of every group
        def groups = Postgres::Sql.rows(format(GROUPS, @names))

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => String}] all that readers see of those pages that have a text, and what pictures say
        #   instead of it
        def texts(ids) = PageParts.new(@run.crawl).of(ids).transform_values { |parts| parts.values.join(" ") }
      end
    end
  end
end

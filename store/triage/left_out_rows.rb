# frozen_string_literal: true

module IronTrellis
  module Store
    module Triage
      # What an index left out of a site, as its newest evidence has it, joined with the newest judged crawl.
      class LeftOutRows
        LEFT_OUT = %w[passed_over waiting kept_elsewhere missing server_failed moved].freeze
        TURNED_AWAY = %w[turned_away_noindex turned_away_robots].freeze
        ROWS = <<~SQL
          SELECT e.url_id, e.url, e.standing, e.standing_reason, e.standing_date, coalesce(e.first_seen,
            e.standing_since) AS since, e.chosen_canonical_by_index AS kept_under, e.long_clicks, e.long_impressions,
            e.outside_links, e.dropped, l.wanted, l.intent, l."group", l.links_in, l.words, l.copy_of, l.soft_missing,
            l.robots_allowed, l.status, l.error, l.redirect_to, l.redirect_chain, l.final_url, l.final_status,
            l.noindex, l.canonical, l.content_type, l.found_by, l.fetched_at,
            cardinality(l.in_sitemaps) > 0 AS in_sitemaps
          FROM %<evidence>s e LEFT JOIN %<ledger>s l USING (url_id)
          WHERE e.standing = ANY($1::text[]) OR e.dropped OR l.wanted AND e.standing = ANY($2::text[])
          ORDER BY e.url COLLATE "C"
        SQL

        # @param run [Judging::VerdictRun]
        # @param basis [Core::Evidence::Basis] of the index
        def initialize(run, basis)
          @run = run
          @basis = basis
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            evidence: "triage_#{run.id}_#{rand(1 << 30)}"
          }
        end

        # @return [Object] what the block gives; within it the rows can be asked for
        def prepared
          site = @run.crawl.site
          Postgres::Sql.raw.exec(
            "CREATE TEMPORARY TABLE #{@names[:evidence]} AS #{Evidence::EvidenceByUrl.new(site, @basis).sql}"
          )
          Postgres::Sql.raw.exec("CREATE INDEX ON #{@names[:evidence]} (url_id)")
          Postgres::Sql.raw.exec("ANALYZE #{@names[:evidence]}")
          yield
        ensure
          Postgres::Sql.raw.exec("DROP TABLE IF EXISTS #{@names[:evidence]}")
        end

        # @return [Array<Hash>]
        def all
          params = [LEFT_OUT, TURNED_AWAY].map { |states| Postgres::Sql.array(states) }
          Postgres::Sql.rows(format(ROWS, @names), params)
        end

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => Boolean}] those that are in the index
        def in_index(ids) = ids_of("#{@names[:evidence]} WHERE standing = '#{Core::Evidence::Standing::IN_INDEX}'", ids)

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => Boolean}] those that are rows of the ledger
        def known(ids) = ids_of("#{@names[:ledger]} WHERE true", ids)

        private

        def ids_of(from, ids)
          return {} if ids.empty?

          Postgres::Sql
            .run("SELECT url_id FROM #{from} AND url_id = ANY($1::bigint[])", [Postgres::Sql.array(ids)])
            .column_values(0)
            .to_h { |id| [id.to_i, true] }
        end
      end
    end
  end
end

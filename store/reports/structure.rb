# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # How a site hangs together, summed up once when its crawl is judged: pages by depth, by folder, the pages that
      # others hang on.
      class Structure
        PAGES = "kind = 'html'"
        MOST_FOLDERS = 400
        MOST_PAGES = 15
        DEPTHS = <<~SQL
          SELECT depth, count(*) AS pages, count(*) FILTER (WHERE indexable) AS indexable, count(*) FILTER (WHERE
            wanted) AS wanted, count(*) FILTER (WHERE importance >= $1) AS important
          FROM %<ledger>s WHERE #{PAGES} GROUP BY depth ORDER BY depth NULLS LAST
        SQL
        # The folders of three levels, each with all that lies in it and below.
        FOLDERS = <<~SQL
          SELECT folder, count(*) AS pages, count(*) FILTER (WHERE indexable) AS indexable, count(*) FILTER (WHERE stop
            IS NOT NULL) AS stopping, coalesce(sum(authority), 0) AS authority,
            percentile_disc(0.5) WITHIN GROUP (ORDER BY depth) AS depth, avg(unique_share) AS unique_share
          FROM (SELECT *, regexp_matches(url, '^(https?://[^/?#]+/)([^/?#]+/)?([^/?#]+/)?') AS parts FROM %<ledger>s
            WHERE #{PAGES}) l
          CROSS JOIN LATERAL (SELECT DISTINCT folder FROM unnest(ARRAY[parts[1], parts[1] || parts[2], parts[1] ||
            parts[2] || parts[3]]) AS f(folder) WHERE folder IS NOT NULL) f
          GROUP BY folder ORDER BY count(*) DESC, folder LIMIT #{MOST_FOLDERS}
        SQL
        PAGE = "url_id::text AS url_id, url, depth, importance, links_in, links_out_internal AS links_out"
        DEEP = "importance >= $1 AND depth > $2 ORDER BY importance DESC, depth DESC, url_id"
        LISTS = {
          linked: "links_in > 0 ORDER BY links_in DESC, url_id",
          linking: "links_out_internal > 0 ORDER BY links_out_internal DESC, url_id",
          ends: "indexable AND links_out_internal = 0 ORDER BY importance DESC NULLS LAST, url_id"
        }.freeze

        # @param run [Judging::VerdictRun] whose ledger stands
        # @param thresholds [Core::Settings::Thresholds]
        # @param flow [Array<Hash>] {from, to, links, share} between page groups
        # @param important_known [Boolean] whether anything says which pages of the site matter
        def initialize(run, thresholds, flow, important_known:)
          @thresholds = thresholds
          @flow = flow
          @important_known = important_known
          @names = {ledger: Postgres::Partitions.name("ledger_rows", run.id)}
        end

        # @return [Hash] for keeping as JSON
        def call
          {
            depths: Postgres::Sql.rows(format(DEPTHS, @names), [@thresholds.important]),
            folders: folders,
            flow: @flow,
            deep_from: @thresholds.deep + 1,
            important_from: @thresholds.important,
            important_known: @important_known,
            deep: @important_known ? list(DEEP, [@thresholds.important, @thresholds.deep]) : [],
            **LISTS.transform_values { |what| list(what) }
          }
        end

        private

        def list(what, params = []) =
          Postgres::Sql.rows(
            "SELECT #{PAGE} FROM #{@names[:ledger]} WHERE #{PAGES} AND #{what} LIMIT #{MOST_PAGES}",
            params
          )

        # In the order of their addresses, so that what lies in a folder comes after it.
        def folders
          Postgres::Sql
            .rows(format(FOLDERS, @names))
            .map do |row|
              row.merge("authority" => row["authority"].round(6), "unique_share" => row["unique_share"]&.to_f&.round(4))
            end
            .sort_by { |row| row["folder"] }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What evidence says of each URL that it names, put together for judging in a table that goes with it.
      class EvidenceByUrl
        # A dated row says more than one of a whole window: where there are such, they win. Of rows of windows the
        # newest counts, since the windows overlap.
        SUMS = <<~SQL
          SELECT url_id, bool_or(dated) AS dated,
            sum(clicks) FILTER (WHERE dated AND day >= %<middle>s) AS clicks,
            sum(impressions) FILTER (WHERE dated AND day >= %<middle>s) AS impressions,
            sum(position * impressions) FILTER (WHERE dated AND day >= %<middle>s) AS weighed,
            sum(impressions) FILTER (WHERE dated AND day >= %<middle>s AND position IS NOT NULL) AS weight,
            sum(clicks) FILTER (WHERE dated) AS long_clicks, sum(impressions) FILTER (WHERE dated) AS long_impressions,
            sum(clicks) FILTER (WHERE dated AND day >= %<short>s) AS short_clicks,
            sum(impressions) FILTER (WHERE dated AND day >= %<short>s) AS short_impressions,
            (array_agg(clicks ORDER BY day DESC) FILTER (WHERE NOT dated)) [1] AS window_clicks,
            (array_agg(impressions ORDER BY day DESC) FILTER (WHERE NOT dated)) [1] AS window_impressions,
            (array_agg(position ORDER BY day DESC) FILTER (WHERE NOT dated)) [1] AS window_position,
            max(day) FILTER (WHERE NOT dated) AS window_day
          FROM search_pages WHERE index_id = %<index>s AND superseded_by IS NULL AND day BETWEEN %<long>s AND %<newest>s
          GROUP BY url_id
        SQL
        RECORD = <<~SQL
          SELECT url_id,
            CASE WHEN dated THEN coalesce(clicks, 0) WHEN window_day >= %<middle>s THEN window_clicks END AS clicks,
            CASE WHEN dated THEN coalesce(impressions, 0) WHEN window_day >= %<middle>s THEN window_impressions END AS
              impressions,
            CASE WHEN dated THEN weighed / nullif(weight, 0) WHEN window_day >= %<middle>s AND window_impressions > 0
              THEN window_position END AS position,
            CASE WHEN dated THEN long_clicks ELSE window_clicks END AS long_clicks,
            CASE WHEN dated THEN long_impressions ELSE window_impressions END AS long_impressions,
            short_clicks, short_impressions
          FROM (#{SUMS.strip}) sums
        SQL
        QUERIES = <<~SQL
          SELECT url_id, count(DISTINCT query_id) AS queries FROM search_queries WHERE index_id = %<index>s AND
            superseded_by IS NULL AND impressions > 0 AND day BETWEEN %<middle>s AND %<newest>s GROUP BY url_id
        SQL
        # The newest evidence that says something: before the newest whole one nothing counts.
        STANDINGS = <<~SQL
          SELECT DISTINCT ON (url_id) url_id, state, reason, found_by, day, first_seen, last_fetched, chosen_canonical
          FROM standings WHERE index_id = %<index>s AND superseded_by IS NULL AND day >= %<whole>s ORDER BY url_id, day
            DESC
        SQL
        # Since when a URL has the state that it has, and when it was in the index last.
        HISTORY = <<~SQL
          SELECT url_id, max(day) FILTER (WHERE state = '#{Core::Evidence::Standing::IN_INDEX}') AS last_in_index,
            (array_agg(day ORDER BY day DESC)) [1] AS newest, min(day) FILTER (WHERE NOT changed) AS since
          FROM (
            SELECT url_id, day, state, bool_or(other) OVER (PARTITION BY url_id ORDER BY day DESC) AS changed
            FROM (SELECT url_id, day, state, state <> first_value(state) OVER (PARTITION BY url_id ORDER BY day DESC) AS
              other FROM standings WHERE index_id = %<index>s AND superseded_by IS NULL) told
          ) runs GROUP BY url_id
        SQL
        LINKS = <<~SQL
          SELECT target_id AS url_id, count(DISTINCT source_id) FILTER (WHERE substring(source FROM
            '^https?://(?:[^/@]*@)?([^/]+)') <> ALL(%<hosts>s::text[])) AS outside_links
          FROM outside_links WHERE site_id = %<site>s AND superseded_by IS NULL AND day >= %<links>s GROUP BY target_id
        SQL
        GOALS = <<~SQL
          SELECT url_id, array_agg(DISTINCT goal ORDER BY goal) AS goals FROM goals WHERE site_id = %<site>s AND
            superseded_by IS NULL AND day >= %<goals>s GROUP BY url_id
        SQL
        # Of which URLs any evidence ever spoke.
        NAMED = <<~SQL
          SELECT url_id FROM standings WHERE index_id = %<index>s AND superseded_by IS NULL
          UNION SELECT url_id FROM search_pages WHERE index_id = %<index>s AND superseded_by IS NULL
          UNION SELECT url_id FROM search_queries WHERE index_id = %<index>s AND superseded_by IS NULL
          UNION SELECT target_id FROM outside_links WHERE site_id = %<site>s AND superseded_by IS NULL
          UNION SELECT url_id FROM goals WHERE site_id = %<site>s AND superseded_by IS NULL
        SQL
        IN_OR_HIDDEN = "('#{Core::Evidence::Standing::IN_INDEX}', '#{Core::Evidence::Standing::HIDDEN}')"
        TABLE = <<~SQL
          WITH record AS (#{RECORD.strip}), asked AS (#{QUERIES.strip}), standing AS (#{STANDINGS.strip}),
            history AS (#{HISTORY.strip}), linked AS (#{LINKS.strip}), wished AS (#{GOALS.strip}),
            named AS (#{NAMED.strip})
          SELECT n.url_id, u.url,
            coalesce(s.state, %<not_known>s) AS standing, s.reason AS standing_reason, s.found_by AS standing_found_by,
            coalesce(s.day, %<known_since>s) AS standing_date, s.first_seen, h.since AS standing_since, s.last_fetched,
            s.chosen_canonical AS chosen_canonical_by_index,
            coalesce(r.clicks, %<no_record>s)::bigint AS clicks,
            coalesce(r.impressions, %<no_record>s)::bigint AS impressions,
            round(r.position::numeric, 1)::double precision AS position,
            r.short_clicks::bigint AS short_clicks, r.short_impressions::bigint AS short_impressions,
            r.long_clicks::bigint AS long_clicks, r.long_impressions::bigint AS long_impressions,
            coalesce(q.queries, %<no_queries>s)::integer AS queries,
            coalesce(l.outside_links, %<no_links>s)::integer AS outside_links, coalesce(g.goals, %<no_goals>s) AS goals,
            h.last_in_index,
            coalesce(coalesce(s.state, %<not_known>s) NOT IN #{IN_OR_HIDDEN}
              AND (h.last_in_index < coalesce(s.day, %<known_since>s) OR r.long_clicks > 0), false) AS dropped
          FROM named n JOIN urls u ON u.id = n.url_id LEFT JOIN standing s USING (url_id) LEFT JOIN history h USING
            (url_id) LEFT JOIN record r USING (url_id) LEFT JOIN asked q USING (url_id) LEFT JOIN linked l USING
            (url_id) LEFT JOIN wished g USING (url_id)
        SQL

        # Before any day.
        ALWAYS = "-infinity"

        # @param site [Sites::Site]
        # @param basis [Core::Evidence::Basis]
        def initialize(site, basis)
          @site = site
          @basis = basis
        end

        # @return [String] the statement of a row a URL
        def sql = format(TABLE, values)

        private

        def values
          windows = @basis.windows
          {
            site: @site.id,
            index: @basis.index || 0,
            newest: day(windows&.newest),
            short: day(windows&.short&.begin),
            middle: day(windows&.middle&.begin),
            long: day(windows&.long&.begin),
            # A later whole evidence stands instead of the earlier ones, a sample besides.
            whole: day(@basis.standings || ALWAYS),
            links: day(@basis.links || ALWAYS),
            goals: day(@basis.whole_goals || ALWAYS),
            hosts: "'#{Postgres::Sql.array(@site.crawl_settings.scope.hosts.keys)}'",
            **silence
          }
        end

        def silence
          said = @basis.values_without_evidence
          {
            not_known: literal(said["standing"], "text"),
            known_since: day(said["standing_date"]),
            no_record: literal(said["clicks"], "bigint"),
            no_queries: literal(said["queries"], "bigint"),
            no_links: literal(said["outside_links"], "bigint"),
            no_goals: literal(said["goals"] && Postgres::Sql.array(said["goals"]), "text[]")
          }
        end

        def day(date) = literal(date, "date")

        def literal(value, type) = value.nil? ? "NULL::#{type}" : "'#{value}'::#{type}"
      end
    end
  end
end

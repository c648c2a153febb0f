# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # What FactsTables asks of the database: the tables that are made for one judging, and what is read of them.
      module FactsSql
        TYPES = FactsRows::TYPES
        EMBEDS = %w[image script style].freeze

        COUNTED =
          %w[script style].map { |name| "count(*) FILTER (WHERE k.type = #{TYPES[name]}) AS #{name}s" }.join(", ")
        WEIGHED =
          EMBEDS
            .map { |name| "(sum(p.bytes) FILTER (WHERE k.type = #{TYPES[name]}))::bigint AS #{name}_bytes" }
            .join(", ")

        # What links lead to each URL (the types as one number, a bit each), what leads out of it, the sitemaps that
        # list it, and what it loads, each thing once (how large, as far as that was fetched).
        TABLES = {"in" => <<~SQL, "out" => <<~SQL, "listed" => <<~SQL, "loads" => <<~SQL}.freeze
          SELECT target_id AS url_id, count(DISTINCT source_id) FILTER (WHERE type = #{TYPES["anchor"]}) AS links_in,
            count(DISTINCT source_id) FILTER (WHERE type = #{TYPES["anchor"]} AND followed) AS followed_in, bit_or(1
              << type) AS types
          FROM %<links>s WHERE source_id <> target_id GROUP BY target_id
        SQL
          SELECT source_id AS url_id, count(DISTINCT target_id) FILTER (WHERE type = #{TYPES["anchor"]} AND internal)
            AS links_out_internal,
            count(DISTINCT target_id) FILTER (WHERE type = #{TYPES["anchor"]} AND NOT internal) AS links_out_external,
              count(DISTINCT target_id) FILTER (WHERE type = #{TYPES["frame"]}) AS frames_out
          FROM %<links>s WHERE type IN (#{TYPES["anchor"]}, #{TYPES["frame"]}) AND source_id <> target_id GROUP BY
            source_id
        SQL
          SELECT e.url_id, array_agg(DISTINCT s.url ORDER BY s.url) AS in_sitemaps, jsonb_agg(e.alternates) FILTER
            (WHERE e.alternates IS NOT NULL) AS alternates
          FROM %<sitemap_entries>s e JOIN sitemap_files s ON s.id = e.sitemap_file_id GROUP BY e.url_id
        SQL
          SELECT k.url_id, #{COUNTED}, #{WEIGHED}
          FROM (SELECT DISTINCT source_id AS url_id, target_id, type FROM %<links>s WHERE type IN
            (#{EMBEDS.map { |name| TYPES[name] }.join(", ")})) k
          LEFT JOIN %<page_facts>s p ON p.url_id = k.target_id AND p.status BETWEEN 200 AND 299 GROUP BY k.url_id
        SQL

        # How each page stands among all pages, from 0 to 1: of those that have less authority, and those that lie
        # deeper, as a share. What is blocked, missing, moved or failing has no authority of its own; it stands where
        # the links that lead to it would place it (PageRank's step from its sources, Core::Graph::Authority).
        RANKS = <<~SQL
          WITH pages AS MATERIALIZED (SELECT url_id, authority, depth FROM %<graph>s WHERE authority IS NOT NULL),
            size AS (SELECT count(*) AS pages FROM pages),
            others AS MATERIALIZED (SELECT f.url_id, g.depth FROM %<frontier>s f LEFT JOIN %<graph>s g USING (url_id)
              WHERE f.purpose = #{Crawling::Frontier::PURPOSES[:page]} AND g.authority IS NULL),
            inflow AS MATERIALIZED (
              SELECT k.target_id AS url_id, sum(p.authority / greatest(o.links_out_internal, 1)) AS authority FROM
                (SELECT DISTINCT source_id, target_id FROM %<links>s WHERE followed AND type =
                  ANY('#{Postgres::Sql.array(Judging::CrawlGraph::CLICKS)}'::smallint[]) AND target_id IN (SELECT url_id
                    FROM others)) k
              JOIN pages p ON p.url_id = k.source_id LEFT JOIN %<out>s o ON o.url_id = k.source_id GROUP BY 1
            ),
            placed AS (
              SELECT url_id, authority, 1 AS page FROM pages
              UNION ALL SELECT url_id, #{1 - Core::Graph::Authority::DAMPING} / pages +
                #{Core::Graph::Authority::DAMPING} * coalesce(authority, 0), 0 FROM others LEFT JOIN inflow USING
                  (url_id) CROSS JOIN size WHERE pages > 0
            ),
            below AS (SELECT url_id, page, sum(page) OVER (ORDER BY authority, page ROWS UNBOUNDED PRECEDING) AS
              pages_below FROM placed),
            depths AS MATERIALIZED (SELECT depth, count(*) AS pages FROM pages GROUP BY depth)
          SELECT url_id, percent_rank() OVER (ORDER BY authority) AS authority_rank, percent_rank() OVER (ORDER BY depth
            DESC NULLS FIRST) AS nearness_rank FROM pages
          UNION ALL
          SELECT b.url_id, least(b.pages_below / greatest(size.pages - 1, 1)::double precision, 1), CASE WHEN o.depth IS
            NULL THEN 0 ELSE
            least((SELECT coalesce(sum(d.pages), 0) FROM depths d WHERE d.depth IS NULL OR d.depth > o.depth) /
              greatest(size.pages - 1, 1)::double precision, 1) END
          FROM below b JOIN others o USING (url_id) CROSS JOIN size WHERE b.page = 0
        SQL
        # How each page stands among all pages by what evidence says of it: of those that have less, as a share. Nothing
        # where there is no such evidence.
        EVIDENCE_RANKS = <<~SQL
          SELECT f.url_id,
            %<record>s AS clicks_rank, %<impressions>s AS impressions_rank, %<outside>s AS outside_rank
          FROM %<frontier>s f LEFT JOIN %<evidence>s e USING (url_id) WHERE f.purpose =
            #{Crawling::Frontier::PURPOSES[:page]}
        SQL
        RANK = "percent_rank() OVER (ORDER BY coalesce(e.%s, 0))"
        GRAPH = %w[graph ranks evidence evidence_ranks].freeze

        URLS = <<~SQL
          SELECT p.*, f.url_id, f.url, f.purpose, f.reason, g.depth, g.authority, r.authority_rank, r.nearness_rank,
            i.links_in, i.followed_in, i.types, o.links_out_internal, o.links_out_external, o.frames_out, l.in_sitemaps,
              l.alternates,
            a.scripts, a.styles, a.image_bytes, a.script_bytes, a.style_bytes,
            v.clicks_rank, v.impressions_rank, v.outside_rank, e.url_id IS NOT NULL AS evidence_of,
            #{Core::Ledger::Registry.of(:evidence).map { |name| "e.#{name}" }.join(", ")}
          FROM %<frontier>s f
          LEFT JOIN %<page_facts>s p ON p.url_id = f.url_id
          LEFT JOIN %<graph>s g ON g.url_id = f.url_id
          LEFT JOIN %<ranks>s r ON r.url_id = f.url_id
          LEFT JOIN %<in>s i ON i.url_id = f.url_id
          LEFT JOIN %<out>s o ON o.url_id = f.url_id
          LEFT JOIN %<listed>s l ON l.url_id = f.url_id
          LEFT JOIN %<loads>s a ON a.url_id = f.url_id
          LEFT JOIN %<evidence_ranks>s v ON v.url_id = f.url_id
          LEFT JOIN %<evidence>s e ON e.url_id = f.url_id
        SQL
        ONLY_EVIDENCE = <<~SQL
          SELECT e.*, c.status AS live_status
          FROM %<evidence>s e LEFT JOIN live_checks c ON c.site_id = %<site>s AND c.url_id = e.url_id
          WHERE NOT EXISTS (SELECT 1 FROM %<frontier>s f WHERE f.url_id = e.url_id)
        SQL
        HOPS =
          "SELECT url_id, coalesce(redirect_to_id, refresh_to_id) AS next_id, coalesce(redirect_to, refresh_to) AS " \
            "next_url FROM %<page_facts>s WHERE redirect_to_id IS NOT NULL OR refresh_to_id IS NOT NULL"
        CANONICALS =
          "SELECT f.url, p.canonical FROM %<page_facts>s p JOIN %<frontier>s f USING (url_id) WHERE " \
            "p.canonical_state = 'other'"
        TEXTS = <<~SQL
          SELECT p.url_id, f.url, b.texts AS text, b.frames, b.menus, p.outline, p.titles[1] AS title, h.authority FROM
            %<page_facts>s p JOIN %<frontier>s f ON f.url_id = p.url_id
          JOIN crawl_hosts h ON h.id = f.host_id LEFT JOIN %<page_blocks>s b ON b.url_id = p.url_id
          WHERE h.authority = ANY($1::text[]) AND p.status = 200 AND p.kind = 'html' AND p.redirect_to_id IS NULL AND
            f.purpose = #{Crawling::Frontier::PURPOSES[:page]}
        SQL
        # The page that a host shows first.
        HOMES = <<~SQL
          SELECT DISTINCT ON (h.authority) h.authority, b.texts FROM %<frontier>s f JOIN crawl_hosts h ON h.id =
            f.host_id JOIN %<page_blocks>s b ON b.url_id = f.url_id JOIN %<page_facts>s p ON p.url_id = f.url_id
          WHERE h.authority = ANY($1::text[]) AND p.status = 200 ORDER BY h.authority, f.depth, length(f.url), f.url_id
        SQL
      end
    end
  end
end

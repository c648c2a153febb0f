# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # The links of a crawl that a rule suspects, picked by the database: the pages they stand on, the targets they
      # lead to.
      class SuspectLinks
        BROKEN = Ledger::Scopes.broken(of: "t.")
        HTML = "'text/html', 'application/xhtml+xml'"
        # What tells a suspect among the staged rows.
        STAGED = {
          outside:
            "t.kind = '#{Core::Page::Kind::EXTERNAL}' AND (coalesce(t.final_status, t.status) >= 400 OR t.error IS " \
            "NOT NULL)",
          missing: Ledger::Scopes.missing(of: "t."),
          failing: "(t.status >= 500 OR t.status IS NULL AND t.error IS NOT NULL)",
          redirecting: "t.redirect_to IS NOT NULL",
          noindexed: "t.noindex",
          blocked: "t.robots_allowed IS FALSE",
          diverted: "t.canonical_state = 'other'",
          unanswering: "t.kind = 'html' AND t.status BETWEEN 200 AND 299",
          fuller: "t.kind = 'html' AND t.status BETWEEN 200 AND 299",
          unlike_image: "(#{BROKEN} OR t.kind = 'image' AND t.content_type IN (#{HTML}))",
          unlike_resource:
            "(#{BROKEN} OR t.kind = 'style' AND t.content_type <> 'text/css' OR t.kind = 'script' AND " \
            "(t.content_type IN (#{HTML}, 'text/css', 'application/json') OR t.content_type LIKE 'image/%%'))",
          heavy: "t.kind = 'image' AND t.bytes > %<heavy_image>d"
        }.freeze
        OURS = "t.kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}'"
        # Among all URLs that the site ever mentioned. What may be a camera's name, a number or a hash is looked at
        # closely by the rule.
        MENTIONED = {
          unnamed: "TRUE",
          unencrypted: "u.url LIKE 'http://%%'",
          numbered:
            "u.url ~* '/((img|dsc|dcim|pict?|image|photo|bild|scan|screenshot|untitled|file|download|" \
            "whatsapp)[^/]*|[0-9a-f_-]{8,}[^/]*|[0-9_-]+[^/a-z]*)\\.[a-z0-9]{2,5}(\\?|$)'"
        }.freeze
        # What else must be so of the link.
        LINKS = {
          unnamed: "k.text IS NULL",
          unencrypted: "k.source_id IN (SELECT url_id FROM %<stage>s WHERE url LIKE 'https://%%')",
          # A sitemap may give what the page itself doesn't.
          unanswering:
            "NOT EXISTS (SELECT 1 FROM %<links>s r WHERE r.source_id = k.target_id AND r.target_id = k.source_id AND " \
            "r.type = k.type) " \
              "AND NOT EXISTS (SELECT 1 FROM %<sitemap_entries>s e WHERE e.url_id = k.target_id AND e.alternates IS " \
              "NOT NULL)",
          fuller: "(k.source_id, k.target_id) IN (SELECT source_id, target_id FROM fuller)"
        }.freeze
        # Of the members of a set that name each other, those that name more than a page does, the first of them for
        # each page.
        FULLER = <<~SQL
          sets AS MATERIALIZED (SELECT source_id, array_agg(DISTINCT target_id) AS members FROM %<links>s WHERE type =
            %<hreflang>d GROUP BY 1),
          fuller AS MATERIALIZED (
            SELECT DISTINCT ON (s.source_id) s.source_id, t.source_id AS target_id FROM sets s CROSS JOIN LATERAL
              unnest(s.members) AS member(id)
            JOIN sets t ON t.source_id = member.id AND t.source_id <> s.source_id AND s.source_id = ANY(t.members)
            JOIN %<stage>s w ON w.url_id = t.source_id
            WHERE NOT array_remove(t.members, s.source_id) <@ s.members ORDER BY s.source_id, w.url COLLATE "C"
          ),
        SQL

        FIRST = "ORDER BY s.url_id, t.url COLLATE \"C\""

        # @param stage [String] the table of staged rows
        # @param crawl [Crawling::Crawl]
        # @param limits [Hash{Symbol => Integer}] the least that the rules judge by: heavy_image
        def initialize(stage, crawl, limits:)
          @site_id = crawl.site_id
          @names = Postgres::Partitions.of_crawl(crawl.id)
            .merge(stage: stage, hreflang: Pages::FactsRows::TYPES.fetch("hreflang"), **limits)
        end

        # @param targets [Symbol] which are suspect
        # @param types [Array<String>] of links
        # @param once [Boolean] whether of each page only the first target is wanted, with the number of all
        # @yieldparam rows [Array<Hash>] columns of the linking page, those of the target under "target", links: [{text,
        #   place}] in order, and targets, where that was asked for
        # @return [void]
        def each(targets, types, once: false, &block)
          sql = format(<<~SQL, @names)
            WITH #{FULLER if targets == :fuller} suspects AS MATERIALIZED (#{suspects(targets)})
            SELECT #{StagedRows.columns("s")}, row_to_json(t) AS target, k.links FROM (
              SELECT source_id, target_id, json_agg(json_build_object('text', text, 'place', place, 'px', px) ORDER BY
                position) AS links FROM %<links>s k
              WHERE type = ANY($1::smallint[]) AND source_id <> target_id AND target_id IN (SELECT url_id FROM suspects)
                AND #{LINKS.fetch(targets, "TRUE")}
              GROUP BY source_id, target_id
            ) k JOIN %<stage>s s ON s.url_id = k.source_id JOIN suspects t ON t.url_id = k.target_id
          SQL
          if once
            sql =
              sql.sub(
                "SELECT #{StagedRows.columns("s")}",
                "SELECT DISTINCT ON (s.url_id) #{StagedRows.columns("s")}, count(*) OVER (PARTITION BY s.url_id) AS " \
                "targets"
              ) + FIRST
          end
          Postgres::Sql.stream(
            sql,
            [Postgres::Sql.array(types.map { |type| Pages::FactsRows::TYPES.fetch(type) })],
            portion: 500,
            &block
          )
        end

        private

        def suspects(targets)
          if MENTIONED.key?(targets)
            return (
              "SELECT u.id AS url_id, u.url FROM urls u WHERE " \
              "u.site_id = #{Integer(@site_id)} AND #{MENTIONED.fetch(targets)}"
            )
          end

          what = STAGED.fetch(targets) { raise ArgumentError, "no links are suspect for being “#{targets}”" }
          "SELECT #{StagedRows.columns("t")} FROM %<stage>s t WHERE #{what}#{" AND #{OURS}" unless targets == :outside}"
        end
      end
    end
  end
end

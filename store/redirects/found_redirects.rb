# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Redirects
      # The redirects that a crawl met, and the addresses that answer no more.
      class FoundRedirects
        # How redirects can be narrowed, by what is wrong with them.
        KINDS = {
          "all" => "true",
          "chains" => "faults @> '{redirect-chain}'",
          "loops" => "faults @> '{redirect-loop}'",
          "temporary" => "faults @> '{redirect-temporary}'",
          "to_home" => "faults @> '{redirect-to-home}'",
          "to_missing" => "faults @> '{redirect-to-missing}'"
        }.freeze
        OBSERVED = "redirect_to IS NOT NULL AND kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}'"
        COUNTS =
          "SELECT #{KINDS.map { |name, what| "count(*) FILTER (WHERE #{what}) AS #{name}" }.join(", ")} FROM " \
          "%<ledger>s WHERE #{OBSERVED}".freeze
        HOPS = <<~SQL
          SELECT url_id::text AS url_id, url, status, redirect_to, redirect_chain, final_url, final_status, links_in,
            cardinality(in_sitemaps) > 0 AS listed, faults
          FROM %<ledger>s WHERE #{OBSERVED} AND %<kind>s ORDER BY links_in DESC, url COLLATE "C" LIMIT %<most>d
        SQL
        LOST = Ledger::Scopes.lost
        BROKEN = <<~SQL
          SELECT l.url_id::text AS url_id, l.url, l.status, l.links_in, s.held, cardinality(l.in_sitemaps) > 0 AS
            listed, coalesce(k.importance, 0) AS importance, s.suggestions, l.clicks, l.outside_links, l.standing,
            l.last_fetched::text AS last_fetched
          FROM %<ledger>s l LEFT JOIN route_suggestions s ON s.run_id = $1 AND s.url_id = l.url_id
          LEFT JOIN LATERAL (SELECT max(f.importance) AS importance FROM %<links>s k JOIN %<ledger>s f ON f.url_id =
            k.source_id WHERE k.target_id = l.url_id) k ON true
          WHERE #{LOST} ORDER BY (l.links_in > 0) DESC, coalesce(k.importance, 0) DESC, l.links_in DESC, l.url COLLATE
            "C" LIMIT %<most>d
        SQL
        MOST = 500
        SAMPLES = 5
        ALL = <<~SQL
          SELECT l.url, l.links_in >= #{Core::Redirects::Targets::Lost::MANY_LINKS} OR cardinality(l.in_sitemaps) > 0 AS
            valued, coalesce(s.suggestions, '[]') AS suggestions
          FROM %<ledger>s l LEFT JOIN route_suggestions s ON s.run_id = $1 AND s.url_id = l.url_id WHERE #{LOST} ORDER
            BY l.url_id
        SQL

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @run = run
          @site = site
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            links: Postgres::Partitions.name("links", run.crawl_id),
            most: MOST
          }
        end

        # @param kind [String] one of KINDS
        # @return [Hash] counts by kind, and rows of the one asked for, those with most links in first, at most MOST,
        #   each with its heir: whether the address where it ends takes over, nil where no evidence has it moved
        def observed(kind)
          what = KINDS.fetch(kind) { raise Core::Error::InvalidInput.new("“#{kind}” is no kind of redirects.") }
          rows = Postgres::Sql.rows(format(HOPS, @names.merge(kind: what)))
          heirs = Evidence::Heirs.new(@run).of(rows.to_h { |row| row.values_at("url", "final_url") }.compact)
          {
            counts: Postgres::Sql.rows(format(COUNTS, @names)).first,
            rows: rows.map { |row| row.merge("heir" => heirs[row["url"]]) }
          }
        end

        # @return [Hash] rows, those with links in and with important pages behind these first, each with suggestions
        #   (nil where none were worked out yet), what it held in an earlier crawl ({crawl, title, at}, nil where none
        #   knew it) and what was decided; groups of those that one rule would answer ({pattern, to, status, count,
        #   others, urls}); how many there are, and when suggestions were worked out
        def broken
          routes = @site.decisions.in_force("route")
          table = @site.decided_routes
          total = Postgres::Sql.run("SELECT count(*) FROM #{@names[:ledger]} WHERE #{LOST}").getvalue(0, 0).to_i
          rows =
            Postgres::Sql
              .rows(format(BROKEN, @names), [@run.id])
              .map do |row|
                row.merge("decision" => (routes[row["url"]] || routes[table.answer(row["url"])&.route&.from])&.view)
              end
          {
            rows: rows,
            groups: @run.suggested_at ? groups(routes, table) : [],
            total: total,
            suggested_at: @run.suggested_at&.iso8601
          }
        end

        private

        # Of all of them that nothing was decided about, by a pattern either.
        def groups(routes, table)
          open =
            Postgres::Sql
              .rows(format(ALL, @names), [@run.id])
              .reject { |row| routes.key?(row["url"]) || table.answer(row["url"]) }
          lost =
            open.map do |row|
              Core::Redirects::PatternGrouping::Lost.new(
                url: row["url"],
                valued: row["valued"],
                **(row["suggestions"].first || {"target" => nil, "status" => 410}).slice(
                  "target",
                  "status"
                ).transform_keys(&:to_sym)
              )
            end
          Core::Redirects::PatternGrouping
            .of(lost)
            .map do |group|
              {
                pattern: group.pattern,
                to: group.to,
                status: group.status,
                count: group.urls.size,
                others: group.others,
                urls: group.urls.first(SAMPLES)
              }
            end
        end
      end
    end
  end
end

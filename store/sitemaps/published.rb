# frozen_string_literal: true

module IronTrellis
  module Store
    module Sitemaps
      # The sitemaps that a site publishes, each with what it lists against what it should; and what a set built now
      # would list.
      class Published
        FILES = <<~SQL
          SELECT f.url, f.parent, f.kind, f.status, f.error, f.bytes, coalesce(f.entries, 0) AS entries, f.found,
            e.listed, e.indexable, e.wanted, e.belonging, coalesce(c.codes, '{}') AS faults
          FROM sitemap_files f
          LEFT JOIN (
            SELECT s.sitemap_file_id, count(DISTINCT s.url_id) AS listed, count(DISTINCT s.url_id) FILTER (WHERE
              l.indexable) AS indexable, count(DISTINCT s.url_id) FILTER (WHERE l.wanted) AS wanted,
              count(DISTINCT s.url_id) FILTER (WHERE %<belongs>s) AS belonging
            FROM %<sitemap_entries>s s LEFT JOIN %<ledger>s l USING (url_id) GROUP BY 1
          ) e ON e.sitemap_file_id = f.id
          LEFT JOIN (SELECT url, array_agg(DISTINCT code ORDER BY code) AS codes FROM %<faults>s WHERE code LIKE
            'sitemap-%%' GROUP BY url) c ON c.url = f.url
          WHERE f.crawl_id = $1 AND f.state <> '#{SitemapFiles::ABSENT}' ORDER BY f.url COLLATE "C"
        SQL
        LISTED = "cardinality(in_sitemaps) > 0"
        CHANGES = {
          joins: "%<right>s AND NOT #{LISTED}",
          leaves: "%<right>s IS NOT TRUE AND #{LISTED}",
          stays: "%<right>s AND #{LISTED}"
        }.freeze
        ROWS =
          "SELECT url_id::text AS url_id, url, stop, intent, importance FROM %<ledger>s WHERE %<what>s ORDER BY " \
          "importance DESC NULLS LAST, url_id LIMIT %<most>d"
        BY_GROUP =
          "SELECT regexp_replace(url, '^(https?://[^/]+)/.*$', '\\1') AS origin, \"group\", count(*) AS urls " \
          "FROM %<ledger>s WHERE %<right>s GROUP BY 1, 2 ORDER BY 1, 3 DESC, 2"
        MOST = 200

        # @param run [Judging::VerdictRun]
        # @param plan [Hash] see Core::Decisions::Kinds::Sitemaps::PLAN
        def initialize(run, plan)
          @run = run
          pdfs = plan.fetch("pdfs")
          @names =
            Postgres::Partitions.of_run(run).merge(
              right: Ledger::Scopes.belongs_in_sitemaps(pdfs: pdfs),
              belongs: Ledger::Scopes.belongs_in_sitemaps(pdfs: pdfs, of: "l.")
            )
        end

        # @return [Array<Hash>] url, parent, found (how it was: see SitemapFiles), kind, status, error, bytes, entries,
        #   listed, indexable, wanted, belonging (what is in its place there), faults
        def files = Postgres::Sql.rows(format(FILES, @names), [@run.crawl_id])

        # @return [Hash] by joins, leaves and stays how many URLs and the first of them
        def difference
          CHANGES.to_h do |name, change|
            what = format(change, @names)
            [
              name,
              {
                total: Postgres::Sql.run("SELECT count(*) FROM #{@names[:ledger]} WHERE #{what}").getvalue(0, 0).to_i,
                rows: (name == :stays) ? [] : Postgres::Sql.rows(format(ROWS, @names.merge(what: what, most: MOST)))
              }
            ]
          end
        end

        # @param url [String]
        # @return [void]
        # @raise [Core::Error::NotFound] where the crawl met no such file
        def check(url)
          if Postgres::Sql
              .run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND url = $2", [@run.crawl_id, url])
              .ntuples
              .zero?
            raise Core::Error::NotFound.new("The crawl met no sitemap at #{url}.")
          end
        end

        # @param url [String] of a file
        # @param listed [Array<String>] what it lists now
        # @return [Hash] entries (now), before (when it was crawled), belonging (of those now, how many are in their
        #   place), came and went ({total, rows}), and astray: what is listed now and doesn't belong there ({total,
        #   rows})
        def since(url, listed)
          now = listed.to_h { |one| [Core::Url::NormalForm.id(@run.crawl.site_id, one), one] }
          before =
            Postgres::Sql
              .rows(
                "SELECT DISTINCT e.url_id, u.url FROM #{@names[:sitemap_entries]} e JOIN sitemap_files f ON f.id = " \
                "e.sitemap_file_id JOIN urls u ON u.id = e.url_id WHERE f.crawl_id = $1 AND f.url = $2",
                [@run.crawl_id, url]
              )
              .to_h { |row| row.values_at("url_id", "url") }
          known = known(now.keys + before.keys)
          astray = now.reject { |id, _| known.dig(id, "belongs") }
          {
            entries: now.size,
            before: before.size,
            belonging: now.size - astray.size,
            came: some(now.except(*before.keys), known),
            went: some(before.except(*now.keys), known),
            astray: some(astray, known)
          }
        end

        # @return [Array<Hash>] origin, group, urls of what would be listed
        def outline = Postgres::Sql.rows(format(BY_GROUP, @names))

        private

        def known(ids)
          Postgres::Sql
            .rows(
              format(
                "SELECT url_id, stop, intent, importance, %<right>s AS belongs FROM %<ledger>s WHERE url_id = " \
                "ANY($1::bigint[])",
                @names
              ),
              [Postgres::Sql.array(ids)]
            )
            .to_h { |row| [row["url_id"], row] }
        end

        # What the crawl doesn't know has no id, and no verdict.
        def some(urls, known)
          rows =
            urls.map do |id, url|
              {
                url: url,
                url_id: (id.to_s if known.key?(id)),
                stop: known.dig(id, "stop"),
                intent: known.dig(id, "intent"),
                importance: known.dig(id, "importance")
              }
            end
          {total: urls.size, rows: rows.sort_by { |row| [-(row[:importance] || -1), row[:url]] }.first(MOST)}
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Deciding
      # The sitemaps that a site publishes, each with what it lists against what it should; and what a set built now would list.
      class SitemapBook
        FILES = <<~SQL
          SELECT f.url, f.parent, f.kind, f.status, f.error, f.bytes, coalesce(f.entries, 0) AS entries, f.found, e.listed, e.indexable, e.wanted, e.belonging, coalesce(c.codes, '{}') AS faults
          FROM sitemap_files f
          LEFT JOIN (
            SELECT s.sitemap_file_id, count(DISTINCT s.url_id) AS listed, count(DISTINCT s.url_id) FILTER (WHERE l.indexable) AS indexable, count(DISTINCT s.url_id) FILTER (WHERE l.wanted) AS wanted,
              count(DISTINCT s.url_id) FILTER (WHERE %<belongs>s) AS belonging
            FROM %<sitemap_entries>s s LEFT JOIN %<ledger>s l USING (url_id) GROUP BY 1
          ) e ON e.sitemap_file_id = f.id
          LEFT JOIN (SELECT url, array_agg(DISTINCT code ORDER BY code) AS codes FROM %<faults>s WHERE code LIKE 'sitemap-%%' GROUP BY url) c ON c.url = f.url
          WHERE f.crawl_id = $1 AND f.state <> '#{SitemapFiles::ABSENT}' ORDER BY f.url COLLATE "C"
        SQL
        LISTED = "cardinality(in_sitemaps) > 0"
        CHANGES = {joins: "%<right>s AND NOT #{LISTED}", leaves: "%<right>s IS NOT TRUE AND #{LISTED}", stays: "%<right>s AND #{LISTED}"}.freeze
        ROWS = %(SELECT url_id::text AS url_id, url, stop, intent, importance FROM %<ledger>s WHERE %<what>s ORDER BY importance DESC NULLS LAST, url_id LIMIT %<most>d)
        BY_GROUP = %(SELECT regexp_replace(url, '^(https?://[^/]+)/.*$', '\\1') AS origin, "group", count(*) AS urls FROM %<ledger>s WHERE %<right>s GROUP BY 1, 2 ORDER BY 1, 3 DESC, 2)
        MOST = 200

        # @param run [VerdictRun]
        # @param plan [Hash] see Core::Decisions::Values::PLAN
        def initialize(run, plan)
          @run = run
          pdfs = plan.fetch("pdfs")
          @names = Partitions.of_crawl(run.crawl_id).merge(ledger: Partitions.name("ledger_rows", run.id), faults: Partitions.name("faults", run.id),
            right: Ledger::Scopes.belongs_in_sitemaps(pdfs: pdfs), belongs: Ledger::Scopes.belongs_in_sitemaps(pdfs: pdfs, of: "l."))
        end

        # @return [Array<Hash>] url, parent, found (how it was: see SitemapFiles), kind, status, error, bytes, entries, listed, indexable, wanted, belonging (what is in its
        #   place there), faults
        def files = Sql.rows(format(FILES, @names), [@run.crawl_id])

        # @return [Hash] by joins, leaves and stays how many URLs and the first of them
        def difference
          CHANGES.to_h do |name, change|
            what = format(change, @names)
            [name, {total: Sql.run("SELECT count(*) FROM #{@names[:ledger]} WHERE #{what}").getvalue(0, 0).to_i, rows: (name == :stays) ? [] : Sql.rows(format(ROWS, @names.merge(what: what, most: MOST)))}]
          end
        end

        # @return [Array<Hash>] origin, group, urls of what would be listed
        def outline = Sql.rows(format(BY_GROUP, @names))
      end
    end
  end
end

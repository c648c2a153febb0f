# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # What the ledger of a run knows of some URLs.
      class Lookup
        IMPORTANCE = "SELECT url, importance FROM %<ledger>s WHERE url_id = ANY($1::bigint[])"
        READ = <<~SQL
          SELECT url FROM %<ledger>s WHERE url_id = ANY($1::bigint[]) AND found_by <> '{index}' AND (status IS NOT NULL
            OR robots_allowed IS FALSE)
        SQL
        LINKED = <<~SQL
          SELECT DISTINCT l.url FROM %<links>s k JOIN %<ledger>s l ON l.url_id = k.target_id
          WHERE k.source_id = $1 AND k.type = $2 AND k.internal AND k.followed AND k.target_id <> k.source_id
          ORDER BY 1 LIMIT 100
        SQL
        PAGE = "SELECT url_id, url FROM %<ledger>s WHERE url_id = $1 AND kind = 'html' AND status = 200"
        TITLES = "SELECT url, title FROM %<ledger>s WHERE url_id = ANY($1::bigint[]) AND status = 200"

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @site_id = run.crawl.site_id
          @names = Postgres::Partitions.of_run(run)
        end

        # @param urls [Array<String>] in normal form, as everywhere here
        # @return [Hash{String => Float, nil}] of those that are known
        def importance(urls) = rows(IMPORTANCE, urls).to_h { |row| row.values_at("url", "importance") }

        # @param urls [Array<String>]
        # @return [Hash{String => true}] those that the crawl or evidence knows
        def known(urls) = importance(urls).transform_values { true }

        # @param urls [Array<String>]
        # @return [Hash{String => true}] those that the crawl asked for, or was kept from by robots.txt
        def read(urls) = rows(READ, urls).to_h { |row| [row["url"], true] }

        # @param urls [Array<String>]
        # @return [Hash{String => String, nil}] titles of those that answer 200
        def titles(urls) = rows(TITLES, urls).to_h { |row| row.values_at("url", "title") }

        # @param url [String]
        # @return [Array<String>] URLs of the site that it links to, at most 100
        def linked_from(url) =
          Postgres::Sql.run(format(LINKED, @names), [id(url), Pages::FactsRows::TYPES.fetch("anchor")]).column_values(0)

        # @param url_id [Integer]
        # @return [Hash{String => Object}, nil] url_id and url of an HTML page that answers 200
        def page(url_id) = Postgres::Sql.rows(format(PAGE, @names), [url_id]).first

        private

        def rows(sql, urls) =
          Postgres::Sql.rows(format(sql, @names), [Postgres::Sql.array(urls.map { |url| id(url) })])

        def id(url) = Core::Url::NormalForm.id(@site_id, url)
      end
    end
  end
end

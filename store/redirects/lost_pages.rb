# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Redirects
      # What is known of lost addresses and of the pages that they could lead to: from this crawl, and of the lost ones
      # from those before it.
      class LostPages
        LIVE = <<~SQL
          SELECT l.url, l.title, l.lang, md5(b.texts) AS text, l.importance FROM %<ledger>s l LEFT JOIN %<page_blocks>s
            b USING (url_id) WHERE l.kind = 'html' AND l.indexable ORDER BY l.url_id
        SQL
        LOST = <<~SQL
          SELECT l.url_id, l.url, l.links_in, l.outside_links, l.clicks, cardinality(l.in_sitemaps) > 0 AS listed,
            (SELECT count(DISTINCT
            k.source_id) FROM %<links>s k WHERE k.target_id = l.url_id AND k.source_id <> l.url_id) AS uses,
            (SELECT array_agg(text) FROM (SELECT k.text FROM %<links>s k WHERE k.target_id = l.url_id AND k.text IS NOT
              NULL GROUP BY k.text ORDER BY count(*) DESC LIMIT 5) t) AS anchors
          FROM %<ledger>s l WHERE %<which>s ORDER BY l.url_id
        SQL
        BEFORE = <<~SQL
          SELECT f.url_id, f.titles[1] AS title, f.lang, md5(b.texts) AS text, f.fetched_at FROM %<page_facts>s f LEFT
            JOIN %<page_blocks>s b USING (url_id)
          WHERE f.url_id = ANY($1::bigint[]) AND f.status = 200 AND f.kind = 'html'
        SQL
        INSERT = "INSERT INTO route_suggestions (run_id, url_id, suggestions, held) VALUES ($1, $2, $3, $4)"
        # So many crawls back it is looked for what a page was.
        MOST_CRAWLS = 12

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @crawl = run.crawl
          @names = Postgres::Partitions.of_run(run)
        end

        # @return [Array<Core::Redirects::LivePages::Page>]
        def live =
          Postgres::Sql
            .rows(format(LIVE, @names))
            .map { |row| Core::Redirects::LivePages::Page.new(**row.transform_keys(&:to_sym)) }

        # @param ids [Array<Integer>, nil] of the addresses; nil for all that are lost
        # @return [Hash{Integer => Core::Redirects::Targets::Lost}] by URL id
        def lost(ids = nil)
          which = ids ? "l.url_id = ANY('#{Postgres::Sql.array(ids)}'::bigint[])" : FoundRedirects::LOST
          rows = Postgres::Sql.rows(format(LOST, @names.merge(which: which)))
          @known = before(rows.map { |row| row["url_id"] })
          keys = @crawl.site.key_pages.pluck(:url)
          rows.to_h { |row| [row["url_id"], lost_page(row, keys)] }
        end

        # @param suggestions [Hash{Integer => Array<Core::Redirects::Suggestion>}] by URL id
        # @param now [Time]
        # @return [void]
        def keep(suggestions, now)
          ActiveRecord::Base.transaction do
            Postgres::Sql.run("DELETE FROM route_suggestions WHERE run_id = $1", [@run.id])
            suggestions.each do |id, found|
              Postgres::Sql.run(INSERT, [@run.id, id, JSON.generate(found.map(&:to_h)), held(id)])
            end
            @run.update!(suggested_at: now)
          end
        end

        private

        def lost_page(row, keys)
          Core::Redirects::Targets::Lost.new(
            url: row["url"],
            links_in: row["links_in"],
            uses: row["uses"],
            outside_links: row["outside_links"],
            clicks: row["clicks"],
            listed: row["listed"],
            key_page: keys.include?(row["url"]),
            anchors: row["anchors"] || [],
            **@known.fetch(row["url_id"], {}).slice(:title, :lang, :text)
          )
        end

        # What it was, for people.
        def held(id)
          page = @known&.fetch(id, nil)
          page && JSON.generate({crawl: page[:crawl], title: page[:title], at: page[:fetched_at]&.iso8601})
        end

        # The newest crawl that still had it.
        def before(ids)
          earlier =
            @crawl.site.crawls.where(state: Crawling::Crawl::FINISHED, number: ...@crawl.number).limit(MOST_CRAWLS)
          earlier
            .reverse
            .each_with_object({}) do |crawl, found|
              Postgres::Sql
                .rows(format(BEFORE, Postgres::Partitions.of_crawl(crawl.id)), [Postgres::Sql.array(ids)])
                .each do |row|
                  found[row["url_id"]] = row.except("url_id").transform_keys(&:to_sym).merge(crawl: crawl.number)
                end
            end
        end
      end
    end
  end
end

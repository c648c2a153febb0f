# frozen_string_literal: true

require "json"

module IronTrellis
  module Store
    module Pages
      # What was told of the pages of a crawl while they were rendered, and what their scripts left.
      class Renderings
        KEEP = <<~SQL
          INSERT INTO renderings (crawl_id, url_id, told, html) VALUES ($1, $2, $3, $4)
          ON CONFLICT (crawl_id, url_id) DO UPDATE SET told = excluded.told, html = excluded.html
        SQL
        COMPARED = <<~SQL
          UPDATE %<page_facts>s SET changed_by_script = $2, on_phone = $3 WHERE url_id = $1
        SQL
        # Pages, those a few clicks away first, so many of each folder that its groups are among them.
        PAGES = <<~SQL
          SELECT url_id, url FROM (
            SELECT p.url_id, f.url, f.depth, row_number() OVER (PARTITION BY substring(f.url from
              '^https?://[^/]+/[^/?#]*') ORDER BY f.depth, f.url) AS place
            FROM %<page_facts>s p JOIN %<frontier>s f USING (url_id)
            WHERE p.status = 200 AND p.kind = 'html' AND p.redirect_to_id IS NULL
          ) s WHERE place <= 50 ORDER BY depth, url
        SQL
        ANSWERS = "SELECT url_id, header_lines, body FROM %<raw_answers>s WHERE url_id = ANY($1::bigint[])"

        # @param crawl_id [Integer]
        def initialize(crawl_id)
          @crawl_id = crawl_id
        end

        # @param outcomes [Array<Core::Crawling::Outcome>]
        # @return [void]
        def keep(outcomes) =
          outcomes.each { |outcome| put(outcome.item.id, outcome.reading) if outcome.reading }

        # What a page that was crawled as it was sent is after its scripts.
        #
        # @param url_id [Integer]
        # @param reading [Core::Rendering::Reading]
        # @return [void]
        def compared(url_id, reading)
          ActiveRecord::Base.transaction do
            put(url_id, reading)
            if reading.facts
              Postgres::Sql.run(
                format(COMPARED, names),
                [url_id, *[reading.changes, reading.on_phone].map { |one| one && JSON.generate(one) }]
              )
            end
          end
        end

        # @return [Array<Hash>] url_id and url of pages of which some are to be looked at
        def pages = Postgres::Sql.rows(format(PAGES, names))

        # @return [Hash{Integer => Boolean}] ids of those that were
        def known =
          Postgres::Sql
            .run("SELECT url_id FROM renderings WHERE crawl_id = $1", [@crawl_id])
            .column_values(0)
            .to_h { |id| [id.to_i, true] }

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => Hash}] header_lines and body
        def answers(ids) =
          Postgres::Sql.rows(format(ANSWERS, names), [Postgres::Sql.array(ids)]).to_h { |row| [row["url_id"], row] }

        # @param url_id [Integer]
        # @return [Array(Hash, String), nil] what was told, and the document that scripts left
        def of(url_id)
          row =
            Postgres::Sql.rows(
              "SELECT told, html FROM renderings WHERE crawl_id = $1 AND url_id = $2",
              [@crawl_id, url_id]
            ).first
          row && [row["told"], row["html"]]
        end

        private

        def names = Postgres::Partitions.of_crawl(@crawl_id)

        def put(url_id, reading)
          html = reading.rendered.html
          Postgres::Sql.run(
            KEEP,
            [
              @crawl_id,
              url_id,
              JSON.generate(Core::Content::Cut.deep(reading.as_json)).gsub("\\u0000", ""),
              html && {value: html.delete("\0").b, format: 1}
            ]
          )
        end
      end
    end
  end
end

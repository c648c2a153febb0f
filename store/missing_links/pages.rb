# frozen_string_literal: true

module IronTrellis
  module Store
    module MissingLinks
      # The pages of a run between which links are looked for: the most important ones that may be indexed.
      class Pages
        MOST = 5_000
        ROWS = <<~SQL
          SELECT l.url_id, l.url, l.title, l.h1, l.lang, l.authority, l.importance, l.wanted, b.texts, b.frames,
            b.menus, b.anchors, p.outline
          FROM %<ledger>s l JOIN %<page_blocks>s b USING (url_id) JOIN %<page_facts>s p USING (url_id)
          WHERE l.kind = 'html' AND l.indexable AND l.copy_of IS NULL
          ORDER BY l.importance DESC NULLS LAST, l.url LIMIT #{MOST}
        SQL
        # To which of the others a page links, and what the links within its text read.
        LINKS = <<~SQL
          SELECT source_id, array_agg(DISTINCT target_id) FILTER (WHERE target_id = ANY($1::bigint[])) AS targets,
            array_agg(DISTINCT text) FILTER (WHERE text <> '' AND coalesce(place, $3) = $3) AS texts
          FROM %<links>s WHERE source_id = ANY($1::bigint[]) AND type = $2 GROUP BY 1
        SQL
        MAIN = Store::Pages::FactsRows::PLACES.fetch("main")
        QUERIES = <<~SQL
          SELECT url_id, array_agg(text ORDER BY impressions DESC) AS queries FROM (
            SELECT f.url_id, (SELECT text FROM queries t WHERE t.id = f.query_id) AS text, f.impressions,
              row_number() OVER (PARTITION BY f.url_id ORDER BY f.impressions DESC) AS place
            FROM found_for f WHERE f.run_id = $1 AND f.span = $2 AND f.url_id = ANY($3::bigint[])
          ) q WHERE place <= 3 GROUP BY 1
        SQL
        SITE_NAME = Core::StructuredData::Building::SITE_NAME

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @names = Postgres::Partitions.of_run(run)
        end

        # @return [Array<Core::MissingLinks::Page>]
        def call
          rows = Postgres::Sql.rows(format(ROWS, @names))
          ids = Postgres::Sql.array(rows.map { |row| row["url_id"] })
          links = by_id(LINKS, "source_id", [ids, Store::Pages::FactsRows::TYPES.fetch("anchor"), MAIN])
          span = Core::Evidence::Windows::SPANS.last
          queries = by_id(QUERIES, "url_id", [@run.id, span, ids])
          phrases = Desk::DeskPage.of(@run.crawl.site).pluck(:url_id, :phrases).to_h
          rows.map { |row| page(row, links, queries, phrases) }
        end

        private

        def by_id(sql, id, params) = Postgres::Sql.rows(format(sql, @names), params).to_h { |row| [row[id], row] }

        # A heading is no place for a link, nor is what stands around the text; what is one already can't be another.
        def blocks(row)
          headings = (row["outline"] || []).to_h { |_, text| [text, true] }
          lines = row["texts"].split("\n")
          numbers = Core::Copies::MainText.outside(lines.size, row["frames"]) - (row["menus"] || []) - linked(row)
          numbers.map { |number| lines[number] }.reject { |line| headings.key?(line) }
        end

        # Numbers of lines that a link fills.
        def linked(row)
          alone = Store::Pages::FactsRows::ANCHORS.fetch(:sole)
          (row["anchors"] || [])
            .each_slice(3)
            .flat_map { |from, to, marks| marks.anybits?(alone) ? [*from..to] : [] }
        end

        def page(row, links, queries, phrases)
          id = row["url_id"]
          Core::MissingLinks::Page.new(
            **row.slice("url", "title", "authority", "importance", "wanted").transform_keys(&:to_sym),
            id: id,
            language: row["lang"],
            phrases: [*phrases[id], *row["h1"], row["title"]&.sub(SITE_NAME, "")].compact.uniq,
            queries: queries.dig(id, "queries") || [],
            blocks: blocks(row),
            links: (links.dig(id, "targets") || []).to_h { |target| [target, true] },
            link_texts: links.dig(id, "texts") || []
          )
        end
      end
    end
  end
end

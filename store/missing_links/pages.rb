# frozen_string_literal: true

module IronTrellis
  module Store
    module MissingLinks
      # The pages of a run between which links are looked for: the most important ones that may be indexed.
      class Pages
        MOST = 5_000
        ROWS = <<~SQL
          SELECT l.url_id, l.url, l.title, l.h1, l.lang, l.authority, l.importance, l.wanted, b.texts, b.frames,
            p.outline
          FROM %<ledger>s l JOIN %<page_blocks>s b USING (url_id) JOIN %<page_facts>s p USING (url_id)
          WHERE l.kind = 'html' AND l.indexable AND l.copy_of IS NULL
          ORDER BY l.importance DESC NULLS LAST, l.url LIMIT #{MOST}
        SQL
        LINKS = <<~SQL
          SELECT source_id, array_agg(DISTINCT target_id) AS targets FROM %<links>s
          WHERE source_id = ANY($1::bigint[]) AND target_id = ANY($1::bigint[]) AND type = $2 GROUP BY 1
        SQL
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
          links = by_id(LINKS, "source_id", "targets", [ids, Store::Pages::FactsRows::TYPES.fetch("anchor")])
          span = Core::Evidence::Windows::SPANS.last
          queries = by_id(QUERIES, "url_id", "queries", [@run.id, span, ids])
          phrases = Desk::DeskPage.of(@run.crawl.site).pluck(:url_id, :phrases).to_h
          rows.map { |row| page(row, links, queries, phrases) }
        end

        private

        def by_id(sql, id, values, params) =
          Postgres::Sql.rows(format(sql, @names), params).to_h { |row| row.values_at(id, values) }

        # A heading is no place for a link.
        def blocks(row)
          headings = (row["outline"] || []).to_h { |_, text| [text, true] }
          Core::Copies::MainText.blocks(row["texts"], row["frames"]).reject { |line| headings.key?(line) }
        end

        def page(row, links, queries, phrases)
          id = row["url_id"]
          Core::MissingLinks::Page.new(
            **row.slice("url", "title", "authority", "importance", "wanted").transform_keys(&:to_sym),
            id: id,
            language: row["lang"],
            phrases: [*phrases[id], *row["h1"], row["title"]&.sub(SITE_NAME, ""), *queries[id]].compact.uniq,
            blocks: blocks(row),
            links: (links[id] || []).to_h { |target| [target, true] }
          )
        end
      end
    end
  end
end

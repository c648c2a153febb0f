# frozen_string_literal: true

module IronTrellis
  module Store
    module Languages
      # Who names whom for which language, from the pages' heads and headers and from sitemaps together.
      class Annotations
        PAGES = <<~SQL
          SELECT l.url_id, l.url, f.hreflang, s.alternates FROM %<ledger>s l LEFT JOIN %<page_facts>s f USING (url_id)
          LEFT JOIN (SELECT url_id, jsonb_agg(alternates) AS alternates FROM %<sitemap_entries>s WHERE alternates IS NOT
            NULL GROUP BY 1) s USING (url_id)
          WHERE (f.hreflang IS NOT NULL AND f.hreflang <> '[]' OR s.alternates IS NOT NULL) AND %<which>s ORDER BY
            l.url_id
        SQL

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @names = Postgres::Partitions.of_run(run)
        end

        # @param ids [Array<Integer>, nil] only those of these pages; nil for all
        # @return [Array<Core::Languages::Annotation>]
        def call(ids = nil)
          rows =
            Postgres::Sql.rows(
              format(PAGES, @names.merge(which: ids ? "l.url_id = ANY($1::bigint[])" : "true")),
              ids ? [Postgres::Sql.array(ids)] : []
            )
          rows
            .flat_map do |row|
              ((row["hreflang"] || []) + (row["alternates"] || []).flatten).map { |one| annotation(row["url"], one) }
            end
            .uniq
        end

        private

        def annotation(url, one) =
          Core::Languages::Annotation.new(
            url: url,
            code: one["code"],
            target: one["url"],
            source: one["source"],
            relative: one["relative"] || false
          )
      end
    end
  end
end

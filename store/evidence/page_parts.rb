# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # The words of pages by where they stand.
      class PageParts
        SQL = <<~SQL
          SELECT p.url_id, array_to_string(p.titles, ' ') AS title, p.description,
            (SELECT string_agg(line ->> 1, ' ') FROM jsonb_array_elements(coalesce(p.outline, '[]')) line) AS headings,
            b.texts AS text,
            (SELECT string_agg(k.text, ' ') FROM %<links>s k WHERE k.source_id = p.url_id AND k.type = $2) AS alts
          FROM %<page_facts>s p JOIN %<page_blocks>s b USING (url_id) WHERE p.url_id = ANY($1::bigint[]) AND p.words > 0
        SQL

        # @param crawl [Crawling::Crawl]
        def initialize(crawl)
          @names = Postgres::Partitions.of_crawl(crawl.id)
        end

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => Hash{String => String}}] title, description, headings, text, alts by URL id
        def of(ids)
          return {} if ids.empty?

          Postgres::Sql
            .rows(format(SQL, @names), [Postgres::Sql.array(ids), Pages::FactsRows::TYPES.fetch("image")])
            .to_h { |row| [row["url_id"], row.except("url_id").transform_values(&:to_s)] }
        end
      end
    end
  end
end

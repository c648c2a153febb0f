# frozen_string_literal: true

module IronTrellis
  module Store
    module BusinessFacts
      # How the pages of a run write the business, by their structured data.
      class Pages
        MOST = 20_000
        ROWS = <<~SQL
          SELECT l.url, p.data FROM %<page_facts>s p JOIN %<ledger>s l USING (url_id)
          WHERE p.data IS NOT NULL AND l.status = 200 ORDER BY l.importance DESC NULLS LAST, l.url LIMIT #{MOST}
        SQL
        NAMES = {"name" => "name", "address" => "address", "telephone" => "telephone", "url" => "web"}.freeze

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @names = Postgres::Partitions.of_run(run)
        end

        # @return [Array<Hash{String => String}>] source (the page), name, address, telephone and web, as far as told
        def call
          Postgres::Sql.rows(format(ROWS, @names)).flat_map do |row|
            items = row["data"].map { |one| Core::StructuredData::Item.from(one) }.flat_map(&:all)
            items
              .select { |item| Core::StructuredData::Organisations.include?(item) }
              .map { |item| {"source" => row["url"], **facts(item)} }
          end
        end

        private

        def facts(item) =
          NAMES.to_h { |property, fact| [fact, text(item.properties[property]&.first)] }.compact

        # Of an address in parts each of them.
        def text(value)
          return value unless value.is_a?(Core::StructuredData::Item)

          value.properties.values.flatten.grep(String).join(", ")
        end
      end
    end
  end
end

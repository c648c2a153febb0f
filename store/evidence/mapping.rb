# frozen_string_literal: true

require "json"

module IronTrellis
  module Store
    module Evidence
      # Which headings and words a source uses, told once and kept.
      module Mapping
        GET =
          "SELECT columns, words FROM evidence_mappings WHERE site_id = $1 AND index_id IS NOT DISTINCT FROM $2 AND " \
          "kind = $3"
        PUT = <<~SQL
          INSERT INTO evidence_mappings (site_id, index_id, kind, columns, words) VALUES ($1, $2, $3, $4, $5)
          ON CONFLICT (site_id, index_id, kind) DO UPDATE SET columns = excluded.columns, words = excluded.words
        SQL

        module_function

        # @param site [Sites::Site]
        # @param index [Index, nil]
        # @param kind [String]
        # @return [Array(Hash{String => String}, Hash{String => String})] headings by field; states by the source's
        #   words in lower case
        def of(site, index, kind)
          row = Postgres::Sql.rows(GET, [site.id, index&.id, kind]).first
          row ? row.values_at("columns", "words") : [{}, {}]
        end

        # @return [void]
        def keep(site, index, kind, columns, words)
          Postgres::Sql.run(PUT, [site.id, index&.id, kind, JSON.generate(columns), JSON.generate(words)])
        end
      end
    end
  end
end

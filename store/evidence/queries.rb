# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # The texts of search queries, each once.
      module Queries
        ADD =
          "INSERT INTO queries (id, text) SELECT id, text FROM unnest($1::bigint[], $2::text[]) AS new (id, text) " \
          "ON CONFLICT (id) DO NOTHING"

        # @param texts [Hash{Integer => String}] by number
        # @return [void]
        def self.add(texts)
          return if texts.empty?

          ids, words = texts.sort.transpose
          Postgres::Sql.run(ADD, [Postgres::Sql.array(ids), Postgres::Sql.array(words)])
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Lists
      # Rows of the ledger by the addresses of a list.
      class KnownRows
        # @param run [Judging::VerdictRun]
        def initialize(run)
          @table = Postgres::Partitions.name("ledger_rows", run.id)
          @columns = Ledger::Fields.names
        end

        # @return [Array<String>]
        attr_reader :columns

        # @param urls [Array<String>] in normal form
        # @return [Hash{String => Array<Object>}] values in the order of the columns, by URL
        def at(urls) = rows("url = ANY($1::text[])", urls).to_h { |row| [row["url"], row.values_at(*@columns)] }

        # @param folded [Array<String>] addresses in lower case
        # @return [Hash{String => Array<Object>}] values by the address in lower case
        def folded(folded) =
          rows("lower(url) = ANY($1::text[])", folded).to_h { |row| [row["url"].downcase, row.values_at(*@columns)] }

        private

        def rows(which, texts)
          return [] if texts.empty?

          Postgres::Sql.rows(
            "SELECT #{@columns.map { |name| %("#{name}") }.join(", ")} FROM #{@table} WHERE #{which}",
            [Postgres::Sql.array(texts)]
          )
        end
      end
    end
  end
end

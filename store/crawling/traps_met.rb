# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # What kept a crawl busy with nothing.
      module TrapsMet
        module_function

        # @param crawl [Crawl]
        # @param spaces [Array<Hash>] those that are full
        # @return [Array<String>] sentences
        def of(crawl, spaces = Spaces.named(crawl.id)) =
          Core::Crawling::Traps.explain(
            read_as_missing: read_as_missing(crawl.verdict_run),
            fetched: Progress.of(crawl).fetched,
            spaces: spaces
          )

        # Known when it is judged.
        def read_as_missing(run)
          return 0 unless run

          Postgres::Sql
            .run("SELECT count(*) FROM #{Postgres::Partitions.of_run(run)[:ledger]} WHERE soft_missing")
            .getvalue(0, 0)
            .to_i
        end
        private_class_method :read_as_missing
      end
    end
  end
end

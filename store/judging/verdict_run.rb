# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # One computation of the verdicts of a crawl. Screens read the newest finished one.
      class VerdictRun < Postgres::Record
        self.table_name = "verdict_runs"

        belongs_to :crawl, class_name: "IronTrellis::Store::Crawling::Crawl"

        # @param crawl [Crawling::Crawl]
        # @param rules_digest [String] of rules and settings: only runs of equal rules are compared
        # @param now [Time]
        # @return [VerdictRun]
        def self.begin(crawl, rules_digest:, now:)
          transaction do
            run = create!(crawl: crawl, rules_digest: rules_digest, started_at: now)
            Postgres::Partitions.make(Postgres::Partitions::BY_RUN, run.id)
            run
          end
        end

        # @return [void]
        def drop
          Postgres::Partitions.drop(Postgres::Partitions::BY_RUN, id)
          destroy!
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Proofs
      # What a report is made from, of one run of verdicts and of the fixes of its site.
      class ReportRows
        STOPS = <<~SQL
          SELECT url, stop, cardinality(in_sitemaps) > 0 AS listed FROM %<ledger>s
          WHERE stop IS NOT NULL AND #{Ledger::Scopes.document}
        SQL
        CAUSES = "SELECT code, count(DISTINCT url_id) AS urls FROM %<faults>s GROUP BY 1 ORDER BY 2 DESC, 1 LIMIT 50"

        # @param run [Judging::VerdictRun]
        # @param intent_rules [Core::Groups::Intents] of today
        def initialize(run, intent_rules)
          @run = run
          @intent_rules = intent_rules
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            faults: Postgres::Partitions.name("faults", run.id)
          }
        end

        # @return [Hash{String => Integer}] by rung, how many pages stop there that are wanted today
        def stops =
          Postgres::Sql
            .rows(format(STOPS, @names))
            .select { |row| wanted?(row) }
            .map { |row| row["stop"] }
            .tally

        # @return [Array<Array(String, Integer)>] what was found wrong, on how many URLs
        def causes
          Postgres::Sql
            .rows(format(CAUSES, @names))
            .map { |row| [Core::Faults::Registry.fetch(row["code"]).title, row["urls"]] }
        end

        # @return [Hash{Symbol => Object}] number and day
        def crawl
          crawl = @run.crawl
          {number: crawl.number, day: (crawl.started_at || crawl.created_at).to_date.iso8601}
        end

        private

        def wanted?(row)
          intent = @intent_rules.rule_for(row["url"])&.intent || "undecided"
          @intent_rules.wanted?(row["url"], listed: row["listed"], intent: intent)
        end
      end
    end
  end
end

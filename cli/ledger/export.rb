# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Ledger
      # The command export: writes what the newest judged crawl of a site holds as one table.
      class Export
        LINKS = %w[source target type text rel place followed].freeze
        FAULTS = %w[code grade url about detail].freeze

        # @param options [Hash] of the command line
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          Store::Postgres::Database.prepare
          columns, rows = send(@options["what"])
          Ports::Tables.named(@options["format"]).write(@options["out"], columns, rows)
          warn "Written to #{@options["out"]}"
          Ending::DONE
        end

        private

        def urls
          rows = Store::Ledger::Rows.new(crawl.verdict_run, conditions: Store::Ledger::Conditions.new(nil))
          [rows.columns, rows]
        end

        def links
          [LINKS, Enumerator.new { |rows| audit_rows.links { |line| rows << JSON.parse(line).values_at(*LINKS) } }]
        end

        def faults
          as_text = @options["format"] != "jsonl"
          rows = Enumerator.new { |found| audit_rows.faults { |row| found << row.values_at(*FAULTS) } }
          [FAULTS, as_text ? rows.lazy.map { |row| [*row[0..3], JSON.generate(row[4])] } : rows]
        end

        # Lists within them are texts, where cells hold no lists.
        def fixes
          rows = Workplan::Fixes.rows(Sites::Named.named(@options["site"]))
          columns = rows.first&.keys || %w[id]
          rows = rows.map(&:values)
          return columns, rows if @options["format"] == "jsonl"

          [
            columns,
            rows.map do |row|
              row.map { |cell| (cell.is_a?(Array) && cell.first.is_a?(Hash)) ? JSON.generate(cell) : cell }
            end
          ]
        end

        def audit_rows = Store::Reports::AuditRows.new(crawl, crawl.verdict_run)

        def crawl
          @crawl ||= Sites::Named.crawl(Sites::Named.named(@options["site"]), @options["crawl"])
        end
      end
    end
  end
end

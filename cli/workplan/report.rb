# frozen_string_literal: true

module IronTrellis
  module Cli
    module Workplan
      # The command report: what was wrong, done and freed, what is left and what comes next, on paper.
      class Report
        # @param options [Hash] site, from, out
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          from = Sites::Named.whole(@options["from"], "--from")
          form = Work::Reports::Forms.named(File.extname(@options["out"]).delete_prefix("."))
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          Work::Workplan::RegenerateFixes.keep_up(site, now: Time.now)
          paper = Work::Proofs::Reporting.new(site, now: Time.now, from: from).paper
          File.binwrite(@options["out"], form.write(paper))
          warn "Report written to #{@options["out"]}"
          Ending::DONE
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Cli
    module Triage
      # The command triage.
      class Sort
        # @param options [Hash] of the command line
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          sorted = Work::Triage::SortingOut.new(site, index(site), clock: -> { Time.now })
            .call(fetch: @options["fetch"]) { |done, total| Printed.looked_at(done, total) }
          Ports::Tables::JsonlFile.write(@options["out"]) do |write|
            sorted.each { |one| write.call(Work::Triage::Lines.of(one)) }
          end
          summed_up(sorted)
          Ending::DONE
        end

        private

        def index(site)
          Store::Evidence::Index.named(site, @options["index"]) || raise(
            Core::Error::InvalidInput.new(
              if @options["index"]
                "“#{site.name}” has no index “#{@options["index"]}”."
              else
                "“#{site.name}” has no evidence of an index yet. Bring some with bin/trellis evidence import."
              end
            )
          )
        end

        def summed_up(sorted)
          counts = sorted.map { |one| one.kind || "not looked at" }.tally
          warn "#{sorted.size} URLs left out: #{counts.map { |kind, count| "#{count} #{kind}" }.join(", ")}"
          warn "Written to #{@options["out"]}"
        end
      end
    end
  end
end

# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Workplan
      # The command prove: looks live whether what fixes were for holds now.
      class Prove
        # @param ids [Array<String>]
        # @param options [Hash] site, json
        def initialize(ids, options)
          @ids = ids
          @options = options
        end

        # @return [Integer] exit code
        def call
          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          fixes = Work::Proofs::Proving.asked(site, @ids)
          told = Work::Proofs::Proving.new(site, clock: -> { Time.now }).call(fixes)
          @options["json"] ? puts(JSON.pretty_generate(told)) : told.each { |one| say(one) }
          Ending::DONE
        end

        private

        def say(one)
          puts "#{one["id"]} #{one["state"]}: #{one["met"]} of #{one["checked"]} conditions hold"
          one["unmet"].each { |unmet| puts "  #{unmet["url"]}: #{unmet["condition"]}, but #{unmet["found"]}" }
          one.fetch("notes", []).each { |note| puts "  #{note}" }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Cli
    module Workplan
      # The command fixes: writes what is to be done about a site, one JSON object a line.
      class Fixes
        # @param options [Hash] site, state, out
        def initialize(options)
          @options = options
        end

        # @return [Integer] exit code
        def call
          check
          Store::Postgres::Database.prepare
          rows = self.class.rows(Sites::Named.named(@options["site"]), @options["state"])
          Ports::Tables::JsonlFile.write(@options["out"]) { |write| rows.each { |row| write.call(row) } }
          warn "#{rows.size} fixes written to #{@options["out"]}"
          Ending::DONE
        end

        # @param site [Store::Sites::Site]
        # @param states [Array<String>, nil] nil for all
        # @return [Array<Hash{String => Object}>] by benefit an hour
        def self.rows(site, states = nil)
          Work::Workplan::RegenerateFixes.keep_up(site, now: Time.now)
          Work::Workplan::Listing.new(site).call(states)
        end

        private

        def check
          unknown = (@options["state"] || []) - Core::Workplan::States::ALL
          return if unknown.empty?

          raise Core::Error::InvalidInput.new(
                  "There is no state “#{unknown.first}”; use one of #{Core::Workplan::States::ALL.join(", ")}."
                )
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Cli
    module Workplan
      # The command claim: says of fixes that they are done.
      class Claim
        # @param ids [Array<String>]
        # @param options [Hash] site
        def initialize(ids, options)
          @ids = ids
          @options = options
        end

        # @return [Integer] exit code
        def call
          raise Core::Error::InvalidInput.new("Name the fixes that are done, such as F12.") if @ids.empty?

          Store::Postgres::Database.prepare
          site = Sites::Named.named(@options["site"])
          Work::Workplan::Claiming
            .call(site, @ids, now: Time.now)
            .each { |fix| puts "#{fix.name} #{fix.state}: #{fix.title}" }
          Ending::DONE
        end
      end
    end
  end
end

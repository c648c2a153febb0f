# frozen_string_literal: true

module IronTrellis
  module Cli
    module Redirects
      # The command routes check.
      class Check
        # @param path [String]
        # @param options [Hash] json
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          routes, bad = Ports::Redirects::Maps::Csv.read(InputFile.read(@path))
          InputFile.warn_of(@path, bad)
          check = Core::Redirects::MapCheck.new(routes)
          found = {
            routes: routes.size,
            faults: check.flaws.map { |flaw| flaw.to_h.slice(:code, :from, :about) },
            flattened: check.flattened.map { |route| route.to_h.slice(:from, :to, :status) }
          }
          @options["json"] ? Printed.json(found) : print(found)
          Ending::DONE
        end

        private

        def print(found)
          puts "#{found[:routes]} routes, #{found[:faults].size} faults, #{found[:flattened].size} after chains are " \
            "shortened"
          Printed.table(%w[fault from about], found[:faults].map(&:values)) if found[:faults].any?
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Cli
    module Languages
      # The command hreflang check.
      class Check
        # @param path [String]
        # @param options [Hash] json
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          annotations, bad = Ports::Languages::CsvSets.read(InputFile.read(@path))
          InputFile.warn_of(@path, bad)
          found = {
            clusters: Core::Languages::Clusters.of(annotations).map(&:to_h),
            faults: Core::Languages::SetCheck.new(annotations).call.map(&:to_h)
          }
          @options["json"] ? Printed.json(found) : print(found)
          Ending::DONE
        end

        private

        def print(found)
          puts "#{found[:clusters].size} clusters, #{found[:faults].size} faults"
          Printed.table(%w[fault url about], found[:faults].map(&:values)) if found[:faults].any?
        end
      end
    end
  end
end

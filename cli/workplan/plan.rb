# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    module Workplan
      # The command plan: lays out fixes that a file gives, and prints the plan as JSON.
      class Plan
        # @param path [String]
        # @param options [Hash] seconds
        def initialize(path, options)
          @path = path
          @options = options
        end

        # @return [Integer] exit code
        def call
          check
          reading = Core::Workplan::Reading.new(values)
          scheduler =
            Core::Workplan::Scheduler.new(
              reading.owners,
              seconds: @options["seconds"],
              clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) }
            )
          Printed.json(scheduler.call(reading.tasks).to_h)
          Ending::DONE
        end

        private

        def check
          return unless @options["seconds"].negative?

          raise Core::Error::InvalidInput.new("--seconds must be a number from 0 on, not #{@options["seconds"]}.")
        end

        def values
          JSON.parse(Core::Content::Readable.of(InputFile.read(@path)))
        rescue JSON::ParserError, EncodingError => error
          raise Core::Error::InvalidInput.new("#{@path} is no JSON: #{error.message.lines.first&.strip}")
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # Scripts, styles and pictures that many pages share are asked for once, as browsers do: those used last stay,
      # within so many bytes.
      class KeptAnswers
        MOST_BYTES = 32_000_000

        def initialize
          @kept = {}
          @bytes = 0
          @lock = Mutex.new
        end

        # @param agent [String]
        # @param url [String]
        # @return [Core::Crawling::Answer, nil]
        def get(agent, url) =
          @lock.synchronize { @kept.delete([agent, url])&.tap { |answer| @kept[[agent, url]] = answer } }

        # @param answer [Core::Crawling::Answer]
        # @return [void]
        def put(agent, url, answer)
          @lock.synchronize do
            @kept[[agent, url]] = answer
            @bytes += answer.body.bytesize
            @bytes -= @kept.shift.last.body.bytesize while @bytes > MOST_BYTES
          end
        end
      end
    end
  end
end

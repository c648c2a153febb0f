# frozen_string_literal: true

require "tempfile"

module IronTrellis
  module Api
    module Http
      # A file of ours as the body of an answer: read piece by piece as it is sent, and gone afterwards.
      class SentFile
        PIECE = 65_536

        # @param file [Tempfile] written
        def initialize(file)
          @file = file
        end

        # @yieldparam piece [String]
        # @return [void]
        def each
          ::File.open(@file.path, "rb") do |bytes|
            while (piece = bytes.read(PIECE)) do yield piece end
          end
        end

        # (Rack calls it when the answer is sent, or can't be.)
        #
        # @return [void]
        def close = @file.close!
      end
    end
  end
end

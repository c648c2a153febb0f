# frozen_string_literal: true

require "io/wait"
require "net/http"

module IronTrellis
  module Fetch
    module Http
      # The reading side of a connection under a guard.
      class GuardedIo < Net::BufferedIO
        attr_writer :guard

        # Net::HTTP reads status and header lines through this.
        def readuntil(terminator, ignore_eof = false, **limit)
          line = super
          @guard.note(line)
          line
        end

        # @return [Boolean] whether the server sent more than its answer, or closed: nothing further may be read here
        def spoilt? = rbuf_size.positive? || !@io.to_io.wait_readable(0).nil?

        private

        def rbuf_fill
          @read_timeout = @guard.left
          before = rbuf_size
          super
          @guard.spend(rbuf_size - before)
        rescue Net::ReadTimeout
          # Says which of the two times ran out.
          @guard.left
          raise
        end
      end
    end
  end
end

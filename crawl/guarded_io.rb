# frozen_string_literal: true

require "net/http"

module IronTrellis
  module Crawl
    # The reading side of a connection under a guard.
    class GuardedIo < Net::BufferedIO
      attr_writer :guard

      # Net::HTTP reads status and header lines through this.
      def readuntil(...)
        super.tap { |line| @guard.note(line) }
      end

      private

      def rbuf_fill
        @read_timeout = @guard.left
        before = @rbuf.bytesize
        super
        @guard.spend(@rbuf.bytesize - before)
      end
    end
  end
end

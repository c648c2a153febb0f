# frozen_string_literal: true

module IronTrellis
  module Crawl
    # What one request may cost: a deadline for the whole of it and a number of bytes, first for the headers, then
    # for the body. It also keeps the raw header lines, which Net::HTTP sorts and folds away.
    class Guard
      HEADER_BYTES = 262_144

      attr_reader :bytes

      # @param seconds [Numeric] for the whole request
      def initialize(seconds)
        @deadline = now + seconds
        @budget = HEADER_BYTES
        @bytes = 0
        @raw_lines = []
        @in_headers = true
      end

      # @return [Float] seconds left
      # @raise [FetchError] timeout
      def left
        left = @deadline - now
        raise FetchError.new("timeout", "no whole answer in time") if left <= 0

        left
      end

      # @param count [Integer] bytes that came
      # @raise [FetchError] too_large
      def spend(count)
        @bytes += count
        @budget -= count
        return if @budget >= 0

        raise FetchError.new("too_large", @in_headers ? "the headers are larger than #{HEADER_BYTES} bytes" : "the answer is larger than the limit")
      end

      # @param line [String] as read
      def note(line)
        @raw_lines << line if @in_headers
      end

      # @return [Array<String>] the header lines as they came, in order
      def header_lines
        @raw_lines.map { |line| line.chomp.force_encoding(Encoding::UTF_8).scrub }.reject { |line| line.empty? || line.match?(%r{\AHTTP/\d}) }
      end

      # @param limit [Integer] bytes of body; the framing of chunks is let pass beside it
      def begin_body(limit)
        @in_headers = false
        @budget = limit + 65_536
      end

      private

      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end

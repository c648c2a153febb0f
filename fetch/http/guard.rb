# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Http
      # What one request may cost: time to the first byte and for the whole of it, and a number of bytes, first for the
      # headers, then for the body. It also keeps the raw header lines, which Net::HTTP sorts and folds away.
      class Guard
        HEADER_BYTES = 262_144
        # Fields that hold addresses.
        ADDRESSES = /\A(?:location|link|content-location|refresh)[ \t]*:/i

        attr_reader :bytes

        # @param seconds [Numeric] for the whole request
        # @param first_byte_seconds [Numeric] for its first byte
        def initialize(seconds:, first_byte_seconds:)
          @began = now
          @deadline = @began + seconds
          @first_byte_deadline = @began + first_byte_seconds
          @budget = HEADER_BYTES
          @bytes = 0
          @raw_lines = []
          @in_headers = true
        end

        # @return [Float] seconds left
        # @raise [FetchError] timeout
        def left
          time = now
          raise FetchError.new("timeout", "no whole answer in time") if time >= @deadline
          return @deadline - time if @first_byte_at
          raise FetchError.new("timeout", "no first byte in time") if time >= @first_byte_deadline

          [@first_byte_deadline, @deadline].min - time
        end

        # @param count [Integer] bytes that came
        # @raise [FetchError] too_large
        def spend(count)
          @first_byte_at ||= now
          @bytes += count
          @budget -= count
          return if @budget >= 0

          raise FetchError.new(
            "too_large",
            (
              if @in_headers
                "the headers are larger than #{HEADER_BYTES} bytes"
              else
                "the answer is larger than the limit"
              end
            )
          )
        end

        # @param line [String] as read
        def note(line)
          @raw_lines << line if @in_headers
        end

        # @return [Array<String>] the header lines as they came, in order
        def header_lines
          @raw_lines
            .map { |line| readable(line.chomp).delete("\0") }
            .reject { |line| line.empty? || line.match?(%r{\AHTTP/\d}) }
        end

        # @param limit [Integer] bytes of body; the framing of chunks is let pass beside it
        def begin_body(limit)
          @in_headers = false
          @budget = limit + 65_536
        end

        # @return [Integer] milliseconds since it began
        def elapsed_ms = ((now - @began) * 1000).round

        # @return [Integer, nil] milliseconds to the first byte; nil where none came
        def first_byte_ms = @first_byte_at && ((@first_byte_at - @began) * 1000).round

        private

        # An address keeps its bytes; what else isn't UTF-8 is what it was in older versions of HTTP.
        def readable(line) =
          ADDRESSES.match?(line.b) ? Core::Url::Percent.of_bytes(line) : Core::Content::Readable.of(line)

        def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end

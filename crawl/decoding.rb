# frozen_string_literal: true

require "zlib"

module IronTrellis
  module Crawl
    # Takes a body in as it comes and undoes its content coding, never beyond a limit (RFC 9110 section 8.4.1).
    class Decoding
      ACCEPTED = "gzip, deflate"

      # @param coding [String, nil] the Content-Encoding field
      # @param limit [Integer] bytes after decoding
      def initialize(coding, limit)
        @coding = coding.to_s.strip.downcase
        @limit = limit
        @body = String.new(capacity: 32_768)
        @inflate = Zlib::Inflate.new(Zlib::MAX_WBITS + 32) if %w[gzip x-gzip deflate].include?(@coding)
      end

      # @param chunk [String]
      # @raise [FetchError] too_large
      def <<(chunk)
        @inflate ? inflate(chunk) : append(chunk)
        self
      end

      # @return [String] the decoded bytes
      attr_reader :body

      # @return [Boolean] whether a coded body came to its end
      def whole? = @inflate.nil? || @inflate.finished? || @inflate.total_in.zero?

      private

      # "deflate" means the zlib format, but some servers send it raw: the first chunk tells.
      def inflate(chunk)
        @inflate.inflate(chunk) { |piece| append(piece) }
      rescue Zlib::DataError
        raise unless @coding == "deflate" && !@raw

        @raw = true
        @inflate = Zlib::Inflate.new(-Zlib::MAX_WBITS)
        retry
      end

      def append(piece)
        raise FetchError.new("too_large", "the answer is larger than #{@limit} bytes") if @body.bytesize + piece.bytesize > @limit

        @body << piece
      end
    end
  end
end

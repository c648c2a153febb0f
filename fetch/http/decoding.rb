# frozen_string_literal: true

require "brotli"
require "zlib"

module IronTrellis
  module Fetch
    module Http
      # Takes a body in as it comes and undoes its content coding, never beyond a limit (RFC 9110 section 8.4.1).
      class Decoding
        ACCEPTED = "gzip, deflate, br"
        ZLIB = %w[gzip x-gzip deflate].freeze
        # Brotli is undone in pieces, since a kilobyte may hold a gigabyte.
        PIECE = 65_536

        # @return [String] the decoded bytes
        attr_reader :body

        # @param coding [String, nil] the Content-Encoding field
        # @param limit [Integer] bytes after decoding
        def initialize(coding, limit)
          @coding = coding.to_s.strip.downcase
          @limit = limit
          @body = String.new(capacity: 32_768)
          @inflate = Zlib::Inflate.new(Zlib::MAX_WBITS + 32) if ZLIB.include?(@coding)
          @brotli = Brotli::Decompressor.new if @coding == "br"
        end

        # @param chunk [String]
        # @raise [FetchError] too_large
        def <<(chunk)
          if @inflate then inflate(chunk)
          elsif @brotli then unbrotli(chunk)
          else append(chunk)
          end
          self
        end

        # @return [Boolean] whether a coded body came to its end
        def whole?
          return @inflate.finished? || @inflate.total_in.zero? if @inflate

          @brotli.nil? || @brotli.finished? || @begun.nil?
        end

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

        def unbrotli(chunk)
          return if @brotli.finished?

          @begun = true
          append(@brotli.process(chunk, output_buffer_limit: PIECE))
          until @brotli.can_accept_more_data? || @brotli.finished?
            append(@brotli.process("", output_buffer_limit: PIECE))
          end
        end

        def append(piece)
          if @body.bytesize + piece.bytesize > @limit
            raise FetchError.new("too_large", "the answer is larger than #{@limit} bytes")
          end

          @body << piece
        end
      end
    end
  end
end

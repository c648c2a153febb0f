# frozen_string_literal: true

require "zlib"

module IronTrellis
  module Core
    module Sitemaps
      # The bytes of a sitemap file, unpacked where it is gzipped (RFC 1952, one member or several), a piece at a time:
      # whatever a file grows to, no more than a piece of it is held, and no more than the limit is read.
      class Stream
        GZIP = "\x1F\x8B".b
        PIECE = 65_536
        # No address is longer (URLs over 8 KiB are not fetched).
        MOST_LINE = 16_384
        # Four times what a file may be (sitemaps.org); what is longer is told of, not read.
        LIMIT = 4 * 52_428_800

        # How many bytes were read, and why reading ended before the end: :cut at the limit, :broken where it couldn't
        # be unpacked.
        attr_reader :bytes, :ended

        # @param io [IO, StringIO] that can be rewound
        # @param limit [Integer] bytes, unpacked
        def initialize(io, limit: LIMIT)
          @io = io
          @limit = limit
          @bytes = 0
          @pending = "".b
          @source = packed? ? Zlib::GzipReader.new(io) : io
        rescue Zlib::Error
          @ended = :broken
        end

        # @return [String] what it begins with; it is read again afterwards
        def head
          @pending = next_piece.to_s if @pending.empty?
          @pending
        end

        # Asked by a parser.
        #
        # @param length [Integer] bytes at most
        # @return [String, nil] nil at the end
        def read(length = PIECE, _buffer = nil)
          return if @enough

          piece = @pending.empty? ? next_piece : @pending
          return if piece.nil?

          @pending = piece.byteslice(length..) || "".b
          piece.byteslice(0, length)
        end

        # @yieldparam line [String] with its end; of a longer one only its first MOST_LINE bytes, and a little
        # @return [void]
        def each_line
          rest = +"".b
          while (piece = read)
            *lines, last = piece.b.split("\n", -1)
            lines.each do |line|
              yield rest << line << "\n"
              rest = +"".b
            end
            rest << last if rest.bytesize < MOST_LINE
          end
          yield rest unless rest.empty?
        end

        # Says that enough was read: what follows is left.
        #
        # @return [void]
        def enough
          @enough = true
          @ended ||= :cut
        end

        private

        def packed? = @io.read(GZIP.bytesize).then { |first| @io.rewind && first == GZIP }

        def next_piece
          return if @ended
          return end_of(:cut) if @bytes >= @limit

          piece = @source.read([PIECE, @limit - @bytes].min) || next_member
          @bytes += piece.bytesize if piece
          piece
        rescue Zlib::Error
          end_of(:broken)
        end

        # What follows the first member of a gzipped file was read too far by its reader.
        def next_member
          return unless @source.is_a?(Zlib::GzipReader) && (unused = @source.unused)

          @io.seek(-unused.bytesize, IO::SEEK_CUR)
          @source = Zlib::GzipReader.new(@io)
          @source.read(PIECE)
        end

        def end_of(why)
          @ended = why
          nil
        end
      end
    end
  end
end

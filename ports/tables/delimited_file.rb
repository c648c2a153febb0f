# frozen_string_literal: true

require "csv"
require "stringio"

module IronTrellis
  module Ports
    module Tables
      # A file of delimited cells that a person made (RFC 4180, and what spreadsheet programs write: other delimiters,
      # UTF-16, a mark in front), read line by line, so that neither a large file nor a broken line costs
      # more than itself.
      class DelimitedFile
        DELIMITERS = [",", ";", "\t", "|"].freeze
        MARKS = {
          "\xEF\xBB\xBF".b => Encoding::UTF_8,
          "\xFF\xFE".b => Encoding::UTF_16LE,
          "\xFE\xFF".b => Encoding::UTF_16BE
        }.freeze
        ODD = {invalid: :replace, undef: :replace}.freeze
        # Bytes of a line; one that is longer is told and passed over.
        MOST_BYTES = 1_000_000
        # One cell goes on over so many lines at most.
        MOST_LINES = 200
        TOO_LONG = "the line is longer than #{MOST_BYTES / 1_000_000} MB"
        OPEN_QUOTE = "a quoted cell isn't closed"

        # @return [Array<String>] the cells of the first line, without the space around them
        attr_reader :headings

        # @return [String]
        attr_reader :first_line

        # @param io [IO, StringIO] at its beginning
        # @raise [Core::Error::InvalidInput] where the first line can't be read
        def initialize(io)
          @io = decoded(io)
          @held = []
          first = line or raise Core::Error::InvalidInput.new("The file is empty.")
          raise Core::Error::InvalidInput.new("The first line can't be read: #{TOO_LONG}.") if first == TOO_LONG

          @first_line = first.chomp
          @delimiter = DELIMITERS.max_by { |delimiter| first.count(delimiter) }
          @row = pattern
          @headings = (cells(first) || []).map { |cell| cell.to_s.strip }
        rescue CSV::MalformedCSVError
          raise Core::Error::InvalidInput.new("The first line can't be read as column names: “#{first[0, 100].chomp}”.")
        end

        # @yieldparam cells [Array<String, nil>, nil] nil where they can't be read
        # @yieldparam number [Integer] the line where they begin; the headings are line 1
        # @yieldparam why [String, nil] why they can't be read
        # @return [void]
        def each
          number = 2
          while (text = line)
            cells, further, why = row(text)
            yield cells, number, why
            number += 1 + further
          end
        end

        private

        def decoded(io)
          io.binmode
          start = io.read(4).to_s.b
          mark = MARKS.keys.find { |bytes| start.start_with?(bytes) }
          io.seek(mark ? mark.bytesize : 0)
          encoding = mark ? MARKS.fetch(mark) : without_mark(start)
          return io.tap { io.set_encoding(Encoding::UTF_8) } if encoding == Encoding::UTF_8
          # What is in memory anyway can't be read through a converter.
          return StringIO.new(io.read.encode(Encoding::UTF_8, encoding, **ODD)) if io.is_a?(StringIO)

          io.tap { io.set_encoding(encoding, Encoding::UTF_8, **ODD) }
        end

        # Headings begin with a letter of ASCII, whose other byte is nought.
        def without_mark(start)
          case start.bytes
          in [_, 0, _, 0]
            Encoding::UTF_16LE
          in [0, _, 0, _]
            Encoding::UTF_16BE
          else
            Encoding::UTF_8
          end
        end

        # @return [String, nil] the next line; TOO_LONG for one that is; nil at the end
        def line
          return @held.shift if @held.any?

          text = @io.gets("\n", MOST_BYTES) or return nil
          return pass_over if text.bytesize >= MOST_BYTES && !text.end_with?("\n")

          Core::Content::Readable.of(text)
        end

        def pass_over
          loop do
            text = @io.gets("\n", MOST_BYTES)
            return TOO_LONG if text.nil? || text.end_with?("\n")
          end
        end

        # @return [Array] cells, how many further lines they take, and why they can't be read, if so
        def row(text)
          return nil, 0, TOO_LONG if text.equal?(TOO_LONG)
          return text.chomp.split(@delimiter, -1), 0, nil unless text.include?('"')

          whole, taken = closed(text)
          return nil, 0, OPEN_QUOTE unless whole

          [cells(whole) || [], taken, nil]
        rescue CSV::MalformedCSVError => error
          give_back(taken, whole)
          [nil, 0, error.message.sub(/ in line \d+.*/, "")]
        end

        # Adds lines until all quotes are closed; where they stay open, gives them back to be read by themselves.
        def closed(text)
          return text, 0 if text.count('"').even?

          added = []
          while added.size < MOST_LINES && (more = line)
            added << more
            break if more.equal?(TOO_LONG)
            return text + added.join, added.size if more.count('"').odd?
          end
          @held = added + @held
          nil
        end

        def give_back(taken, whole)
          @held = whole.lines.drop(1) + @held if taken.positive?
        end

        def pattern
          delimiter = Regexp.escape(@delimiter)
          /\G(?:"((?:[^"]|"")*)"|([^"#{delimiter}\r\n]*))(#{delimiter}|\r?\n?\z)/
        end

        # Regular rows are read by one pattern; what it can't read the parser may, which costs ten times as much.
        def cells(text)
          return text.chomp.split(@delimiter, -1) unless text.include?('"')

          cells = []
          place = 0
          while (found = @row.match(text, place))
            cells << (found[1]&.gsub('""', '"') || found[2])
            place = found.end(0)
            return cells unless found[3] == @delimiter
          end
          CSV.parse_line(text, col_sep: @delimiter)
        end
      end
    end
  end
end

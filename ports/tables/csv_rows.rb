# frozen_string_literal: true

require "csv"
require "stringio"

module IronTrellis
  module Ports
    module Tables
      # Reads a CSV that a person made (RFC 4180, and what spreadsheet programs write: other delimiters, UTF-16, a mark
      # in front), row by row. A row that can't be used is told with its line, and the rest is kept.
      class CsvRows
        # One line that can't be used, and why.
        Bad = Struct.new(:line, :why, keyword_init: true)

        DELIMITERS = [",", ";", "\t", "|"].freeze
        MOST_BYTES = 200_000_000
        # One cell goes on over so many lines at most.
        MOST_LINES = 200

        # @return [Array<Bad>] told while reading
        attr_reader :bad

        # @param bytes [String] the file
        # @param columns [Array<String>] that it must have, in any order and case
        # @param optional [Array<String>] that it may have
        # @raise [Core::Error::InvalidInput] where a column is missing, or nothing can be read
        def initialize(bytes, columns, optional: [])
          @text = decode(bytes)
          @columns = columns
          @optional = optional
          @bad = []
          @delimiter = DELIMITERS.max_by { |delimiter| first_line.count(delimiter) }
          check
        end

        # @yieldparam row [Hash{String => String}] cells without the space around them, "" where empty
        # @yieldparam line [Integer] where it begins
        # @return [void]
        def each
          places = (@columns + @optional).to_h { |column| [column, headings.index(column)] }
          lines do |cells, line|
            next if cells.all? { |cell| cell.to_s.strip.empty? }

            yield places.transform_values { |place| place ? cells[place].to_s.strip : "" }, line
          end
        end

        # Tells that a row can't be used.
        #
        # @return [void]
        def refuse(line, why) = @bad << Bad.new(line: line, why: why)

        private

        def decode(bytes)
          if bytes.bytesize > MOST_BYTES
            raise Core::Error::InvalidInput.new(
                    "The file is larger than #{MOST_BYTES / 1_000_000} MB. Split it into several."
                  )
          end

          encoding = {"\xFF\xFE".b => Encoding::UTF_16LE, "\xFE\xFF".b => Encoding::UTF_16BE}[bytes.byteslice(0, 2).b]
          text =
            (
              if encoding
                bytes.dup.force_encoding(encoding).encode(Encoding::UTF_8, invalid: :replace, undef: :replace)
              else
                bytes.dup.force_encoding(Encoding::UTF_8)
              end
            )
          text.scrub.delete_prefix("\uFEFF")
        end

        def first_line = @text[/\A[^\r\n]*/].to_s

        def headings =
          @headings ||= (CSV.parse_line(first_line, col_sep: @delimiter) || []).map { |cell| cell.to_s.strip.downcase }

        def check
          missing = @columns - headings
          return if missing.empty?

          raise Core::Error::InvalidInput.new(
                  "The first line must name the columns #{@columns.join(", ")}; #{missing.join(" and ")} can't be " \
                  "found in “#{first_line[0, 100]}”."
                )
        rescue CSV::MalformedCSVError
          raise Core::Error::InvalidInput.new("The first line can't be read as column names: “#{first_line[0, 100]}”.")
        end

        # Line by line, so that one broken line costs only itself; a quoted cell may go on over several.
        def lines
          all = StringIO.new(@text)
          all.gets
          number = 1
          until all.eof?
            cells, taken, why = row(all)
            why ? refuse(number + 1, why) : yield(cells, number + 1)
            number += taken
          end
        end

        # @return [Array] cells, how many lines they take, and why they can't be read, if so
        def row(all)
          text = all.gets
          behind = all.pos
          further = text.count('"').odd? ? more(text, all) : 0
          return [cells(text) || [], 1 + further, nil] if further

          all.pos = behind
          [nil, 1, "a quoted cell isn't closed"]
        rescue CSV::MalformedCSVError => error
          all.pos = behind
          [nil, 1, error.message.sub(/ in line \d+.*/, "")]
        end

        # Adds lines until all quotes are closed.
        #
        # @return [Integer, nil] how many; nil where they stay open
        def more(text, all)
          (1..MOST_LINES).find do
            line = all.gets or return nil
            text << line
            text.count('"').even?
          end
        end

        # Most rows have no quotes, and the parser costs a tenth of a millisecond each time.
        def cells(text) =
          text.include?('"') ? CSV.parse_line(text, col_sep: @delimiter) : text.chomp.split(@delimiter, -1)
      end
    end
  end
end

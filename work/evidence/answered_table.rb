# frozen_string_literal: true

require "json"
require "tempfile"

module IronTrellis
  module Work
    module Evidence
      # What an index's interface answers, as a table with our own headings, so that it is taken over as a file is. It
      # waits in a file: it may be millions of rows.
      class AnsweredTable
        # @param kind [Core::Evidence::Kind]
        def initialize(kind)
          @names = kind.names
          @file = Tempfile.new("answers")
        end

        # @return [Array<String>]
        def headings = @names

        # @param rows [Array<Hash{String => Object}>]
        # @return [void]
        def add(rows)
          rows.each { |row| @file.puts(JSON.generate(row.values_at(*@names).map { |value| value&.to_s })) }
        end

        # (see Ports::Tables::DelimitedFile#each)
        def each
          @file.rewind
          @file.each_line.with_index(2) { |line, number| yield JSON.parse(line), number, nil }
        end

        # @return [void]
        def drop = @file.close!
      end
    end
  end
end

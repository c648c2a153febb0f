# frozen_string_literal: true

module IronTrellis
  module Work
    module Evidence
      # What an index's interface answers, as a table with our own headings, so that it is taken over as a file is.
      class AnsweredTable
        # @param kind [Core::Evidence::Kind]
        # @yieldparam take [#call] takes a page of rows
        # @yieldreturn [Date] the day of which they are
        def initialize(kind, &pages)
          @names = kind.names
          @pages = pages
        end

        # @return [Array<String>]
        def headings = @names

        # @return [Date, nil] the day of which the rows are, once they were read
        attr_reader :date

        # (see Ports::Tables::DelimitedFile#each)
        def each
          number = 1
          @date = @pages.call(
            lambda do |rows|
              rows.each { |row| yield row.values_at(*@names).map { |value| value&.to_s }, number += 1, nil }
            end
          )
        end
      end
    end
  end
end

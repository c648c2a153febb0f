# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # The header lines of an answer as they came, in order; names are compared without case (RFC 9110).
      class HeaderLines
        # @param lines [Array<String>] "Content-Type: text/html"
        def initialize(lines)
          @fields = lines.filter_map.with_index(1) do |line, number|
            name, colon, value = line.partition(":")
            [name.strip.downcase, value.strip, number] unless colon.empty?
          end
        end

        # @param name [String] in lower case
        # @return [String, nil] the value of the first such line
        def first(name) = @fields.find { |field| field[0] == name }&.at(1)

        # @param name [String] in lower case
        # @return [Array<Array(String, Integer)>] values with their line numbers
        def all(name) = @fields.select { |field| field[0] == name }.map { |field| field.drop(1) }
      end
    end
  end
end

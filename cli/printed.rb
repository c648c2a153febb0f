# frozen_string_literal: true

require "json"

module IronTrellis
  module Cli
    # What the small commands print: one JSON value, or lines for people.
    module Printed
      # Columns are as wide as what stands in them, but no wider than this.
      WIDEST = 90

      module_function

      # Tells now and then, and at the end, how far a look at many URLs has come.
      #
      # @param done [Integer]
      # @param total [Integer]
      # @return [void]
      def looked_at(done, total)
        warn "#{done} of #{total} looked at" if done == total || (done % 100).zero?
      end

      # @param value [Object]
      # @return [void]
      def json(value) = puts(JSON.pretty_generate(value))

      # @param headings [Array<String>]
      # @param rows [Array<Array<String, Integer, nil>>]
      # @return [void]
      def table(headings, rows)
        texts = [headings, *rows].map { |row| row.map(&:to_s) }
        widths = texts.transpose.map { |column| [column.map(&:size).max, WIDEST].min }
        texts.each { |row| puts row.zip(widths).map { |text, width| text.ljust(width) }.join("  ").rstrip }
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # The lines around its telephone numbers, where it says who it is of (StructuredData::ContactLines).
        module Contacts
          NAME = :contacts

          module_function

          # @param document [DocumentReading]
          # @return [Array<Array<String>>]
          def call(document)
            unread = nil
            StructuredData::ContactLines.of(document.text.split("\n")) do |line|
              (unread ||= code(document).merge(numbers(document))).key?(line)
            end
          end

          CODE = "pre, code, samp, kbd, var, textarea"
          # From so many cells on, all but one of them figures, a row is one of a table of numbers.
          LEAST_CELLS = 3
          FIGURE = /\A[\p{Sc}\d\s.,:;%()\/+\p{Pd}xX]*\d[\p{Sc}\d\s.,:;%()\/+\p{Pd}A-Fa-fxX]*\z/

          def code(document) = lines(document.css(CODE).map(&:text).flat_map { |text| [text, *text.lines] })

          def numbers(document)
            rows = document.css("tr").map { |row| row.css("td, th").map { |cell| Content::Folded.of(cell.text) } }
            lines(rows.select { |cells| cells.size >= LEAST_CELLS && figures(cells) >= cells.size - 1 }.flatten)
          end

          def figures(cells) = cells.count { |cell| FIGURE.match?(cell) }

          def lines(texts) = texts.to_h { |text| [Content::Folded.of(text), true] }
          private_class_method :code, :numbers, :figures, :lines
        end
      end
    end
  end
end

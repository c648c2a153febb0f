# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Core
    module Evidence
      # Reads the cells of files that people bring: numbers with the marks of any country, dates.
      module Cells
        # A cell can't be read; the message says why.
        class Unreadable < Error::InvalidInput
        end

        SPACES = "\\s\u00A0\u2009\u202F"
        # A mark followed by three digits parts thousands.
        COUNT = /\A\d+(?:[.,'’#{SPACES}]\d{3})*\z/
        POSITION = /\A\d+(?:[.,]\d+)*\z/
        MOST = (1 << 62) - 1
        CLOCK = /[T ]\d{1,2}(?::?\d{2}){0,2}(?:[.,]\d+)?\s?(?:Z|[+-]\d{2}:?\d{2})?/i
        ISO = %r{\A(\d{4})[-/](\d{1,2})[-/](\d{1,2})(?:#{CLOCK})?\z}
        DOTTED = /\A(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})(?:\s\d{1,2}:\d{2}(?::\d{2})?)?\z/
        SLASHED = %r{\A(\d{1,2})[/-](\d{1,2})[/-](\d{4})(?:\s\d{1,2}:\d{2}(?::\d{2})?)?\z}
        # Which of the first two numbers of a date with slashes is the day.
        ORDERS = %w[dmy mdy].freeze

        module_function

        # @param text [String]
        # @return [Integer]
        # @raise [Unreadable]
        #   Cells.count("1.234") # => 1234
        #   Cells.count("1 234 567") # => 1234567
        def count(text)
          raise Unreadable.new("“#{text}” is negative") if text.match?(/\A[-−]\d/)
          raise Unreadable.new("“#{text}” is no number") unless text.match?(COUNT)

          number = text.gsub(/\D/, "").to_i
          (number > MOST) ? raise(Unreadable.new("“#{text}” is no number that can be kept")) : number
        end

        # @param text [String]
        # @return [Float, nil] nil where there is none, which is also written as 0
        # @raise [Unreadable]
        #   Cells.position("1.234,5") # => 1234.5
        #   Cells.position("3,4") # => 3.4
        def position(text)
          return nil if text.empty?
          raise Unreadable.new("“#{text}” is negative") if text.match?(/\A[-−]\d/)

          plain = text.gsub(/(?<=\d)['’#{SPACES}](?=\d{3})/o, "")
          raise Unreadable.new("“#{text}” is no position") unless plain.match?(POSITION)

          whole, mark, rest = plain.rpartition(/[.,]/)
          value = mark.empty? ? rest.to_f : "#{whole.delete(".,")}.#{rest}".to_f
          value.zero? ? nil : value
        end

        # @param text [String]
        # @param order [String] one of ORDERS, of a date with slashes
        # @return [Date]
        # @raise [Unreadable]
        #   Cells.date("3.11.2026").iso8601 # => "2026-11-03"
        #   Cells.date("11/03/2026", order: "mdy").iso8601 # => "2026-11-03"
        def date(text, order: ORDERS.first)
          case text
          when ISO
            build(text, $1, $2, $3)
          when DOTTED
            build(text, $3, $2, $1)
          when SLASHED
            (order == "mdy") ? build(text, $3, $1, $2) : build(text, $3, $2, $1)
          when /\A(\d{4})(\d{2})(\d{2})\z/
            build(text, $1, $2, $3)
          else
            raise Unreadable.new("“#{text}” is no date")
          end
        end

        def build(text, year, month, day)
          Date.new(year.to_i, month.to_i, day.to_i)
        rescue Date::Error
          raise Unreadable.new("“#{text}” is no date")
        end
        private_class_method :build
      end
    end
  end
end

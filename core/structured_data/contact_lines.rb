# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # The lines of a page's text around each telephone number, where businesses say who they are and where.
      module ContactLines
        # Digits with the signs that people put between them; what is no date, and begins as numbers do that are dialled
        # or stands beside a word that says so (common practice; the form is that of ITU-T E.123, from memory).
        NUMBER = %r{(?<![\p{L}\d.,/-])(?:\+|00)?\s?\(?\d[\d\p{Zs}()./-]{5,20}\d(?![\d\p{L}])}
        # Nothing that has no such bytes can hold a number; they are looked for in a tenth of the time.
        PERHAPS = %r{[\d(+][\d\x80-\xFF ()./-]{5,}\d}n
        DATE = %r{\A(?:\d{1,2}[./-]\d{1,2}[./-]\d{2,4}|\d{4}[./-]\d{1,2}[./-]\d{1,2})}
        DIALLED = /\A(?:\+|0|\()/
        SAID = /\b(?:tele(?:phone|fon|fono|foon)?|téléphone|phone|tel|tlf|fon|call|hotline|mobile?|cell)\b/i
        FAX = /fax\P{L}{0,4}\z/i
        DIGITS = (7..15)
        AROUND = 3
        MOST = 5
        MOST_LINE = 200

        module_function

        # @param lines [Array<String>]
        # @return [Array<Array<String>>] some lines before and after each that has a number, together with it
        def of(lines)
          places =
            lines.each_index.lazy.select { |place| perhaps?(lines[place]) && numbers(lines[place]).any? }.first(MOST)
          places.map { |place| lines[[place - AROUND, 0].max..place + AROUND].map { |line| line[0, MOST_LINE] } }
        end

        # @param line [String]
        # @return [Array<String>] telephone numbers as they are written, white space folded
        def numbers(line)
          said = line.match?(SAID)
          line.to_enum(:scan, NUMBER).filter_map do
            found, before = Regexp.last_match.then { |match| [match[0], match.pre_match] }
            number = Content::Folded.of(found)
            number if number?(number, said) && !before.match?(FAX)
          end
        end

        def perhaps?(line) = line.match?(/\d{2}/) && PERHAPS.match?(line.b)

        def number?(number, said) =
          DIGITS.cover?(number.count("0-9")) && (said || number.match?(DIALLED)) && !number.match?(DATE)
        private_class_method :perhaps?, :number?
      end
    end
  end
end

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
        # The same number is known by its last digits, with or without the prefix of a country.
        KEY = 8
        AROUND = 3
        MOST = 5
        MOST_LINE = 200
        # A line that says what the next one holds is no longer.
        MOST_SIGN = 40

        module_function

        # @param lines [Array<String>]
        # @yieldparam line [String] with a number
        # @yieldreturn [Boolean] whether nobody reads it as text: code, and tables of numbers
        # @return [Array<Array<String>>] some lines before and after each that has a number, together with it
        def of(lines)
          unread = ->(line) { block_given? && perhaps?(line) && yield(line) }
          places =
            lines.each_index.lazy.select do |place|
              perhaps?(lines[place]) && numbers(lines[place]).any? && !unread.call(lines[place])
            end
          places.first(MOST).map do |place|
            around = lines[[place - AROUND, 0].max..place + AROUND]
            around.reject(&unread).map { |line| line[0, MOST_LINE] }
          end
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

        # @param number [String] as it is written
        # @return [String] the same for all writings of it
        #   ContactLines.key("+44 (1632) 960031") # => "32960031"
        def key(number) = number.delete("^0-9").then { |digits| digits[-KEY..] || digits }

        # @param lines [Array<String>] around a number
        # @return [Array<String>] numbers in them beside which something says that they are to be dialled: a word in
        #   that line or the one before, or the sign of an international number
        def signed_numbers(lines)
          lines.each_with_index.flat_map do |line, place|
            before = place.zero? ? "" : lines[place - 1]
            said = "#{before[0, MOST_SIGN] if before.size <= MOST_SIGN} #{line}".match?(SAID)
            numbers(line).select { |number| said || number.start_with?("+") }
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

# frozen_string_literal: true

module SkerrySite
  module Chapters
    # Letters that came in, with their answers.
    class Letters
      COUNT = 140
      SUBJECTS = [
        "A lamp that smokes",
        "A lamp that swings",
        "A green burner",
        "The wrong pane",
        "A leaking font",
        "A humming lamp",
        "A lamp for a gig",
        "A second-hand lamp",
        "A lamp in the rain",
        "An old number",
        "A borrowed lamp",
        "A lamp that waits"
      ].freeze

      # @param catalogue [Catalogue]
      def initialize(catalogue)
        @catalogue = catalogue
        @teller = Teller.new(catalogue.telling["letters"], catalogue.telling["letters"]["words"])
      end

      # @return [void]
      def write
        numbers = (1..COUNT).to_a
        numbers.each { |number| letter(number) }
        @catalogue.add(
          "/letters/",
          "Letters and what we answered",
          "<p>Some letters are answered here, since the next person will ask the same. Names are left out; numbers " \
          "of lamps are not, for a lamp has nothing to be ashamed " \
          "of.</p>#{@catalogue.teasers(numbers.map { |number| [path(number), title(number), ""] })}",
          heading: "Letters that came in"
        )
      end

      private

      def path(number) = "/letters/#{number}"

      def title(number) = "#{SUBJECTS[number % SUBJECTS.size]}, letter #{number}"

      def letter(number)
        ask = @teller.one("ask #{number}", "ask")
        facts = @teller.one("facts #{number}", "facts")
        answer = @teller.tell("answer #{number}", %w[answer bench cure bench bench])
        more = @catalogue.link(path(number % COUNT + 1), title(number % COUNT + 1))
        @catalogue.add(
          path(number),
          title(number),
          "<blockquote><p>#{@catalogue.escape(ask)}</p><p>#{@catalogue.escape(facts)}</p></blockquote>" \
          "<p>#{@catalogue.escape(answer)}</p><p>The next letter: #{more}. All " \
          "#{@catalogue.link("/letters/", "letters")}.</p>",
          heading: "Letter #{number}: #{SUBJECTS[number % SUBJECTS.size].downcase}",
          description: "Letter #{number}. #{ask}"
        )
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Rendering
      # A page's text in order as a crawler gets it: which lines are headings, where links stand, and which words are
      # those of a query.
      class ReadingView
        # A line: its level where it is a heading (1 to 6, else nil), and its pieces. A piece has its `text`, whether it
        # is `marked` as of the query, and the `url` that it links to (nil where it is no link).
        Line = Struct.new(:level, :pieces, keyword_init: true)
        Piece = Struct.new(:text, :marked, :url, keyword_init: true)
        MOST_LINES = 3_000

        # @param facts [Page::Facts]
        # @param query [String] whose words are marked
        # @param language [String, nil]
        def initialize(facts, query: "", language: facts.lang)
          @facts = facts
          @vocabulary = Content::Vocabulary.for(language)
          @stems = @vocabulary.stems(query)
        end

        # @return [Array<Line>]
        def lines
          @headings = @facts.outline.to_a.dup
          @links = @facts.links.to_a.select { |link| link.type == "anchor" && !link.text.to_s.strip.empty? }
          texts = @facts.text.to_s.split("\n").first(MOST_LINES)
          texts.map { |text| Line.new(level: level(text), pieces: pieces(text)) }
        end

        # @return [Hash{String => Integer}] how often each word of the query stands in the text
        def counts = @stems.to_h { |stem, word| [word, @vocabulary.count(@facts.text.to_s, stem)] }

        private

        # Headings come in the order of the document; what is repeated in navigation is no heading.
        def level(text)
          place = @headings.index { |_, heading| heading == text } or return
          @headings.shift(place + 1).last.first
        end

        # Links come in order, too, so that each is looked for behind the one before.
        def pieces(text)
          found = []
          while (link = @links.first) && (at = text.index(link.text.to_s.strip))
            words = link.text.to_s.strip
            found.concat(marked(text[0...at], nil), marked(words, link.target))
            text = text[(at + words.length)..]
            @links.shift
          end
          found.concat(marked(text, nil))
        end

        def marked(text, url) =
          @vocabulary.marked(text, @stems).map { |words, of_query| Piece.new(text: words, marked: of_query, url: url) }
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # What a host answers for a page that isn't there, and whether another page reads like it.
      class MissingPage
        # From here on two pages say the same (common practice).
        ALIKE = 0.85
        # Of fewer words nothing can be told by what is said beside headings and the host's frame.
        LEAST_WORDS = 4
        # What is said of a missing page in so many words may stand under a sentence or two of another page's own.
        TELLING_WORDS = 8
        MOST_OWN_WORDS = 50

        # @param title [String, nil]
        # @param text [String, nil]
        # @param said [String, nil] what it says beside its headings and what the host's home page says (Said); nil
        #   where that isn't known
        def initialize(title:, text:, said: nil)
          @title = title.to_s
          @runs = Similarity.runs(text.to_s)
          @words = said.to_s.split.size
          @said = (@words >= LEAST_WORDS) ? Similarity.runs(said) : nil
        end

        # @return [Boolean] whether it says enough by itself to be known by
        def sure? = !@said.nil?

        # @param title [String, nil]
        # @param text [String, nil]
        # @param said [String, nil]
        # @return [Boolean]
        def like?(title:, text:, said: nil)
          return title.to_s == @title && (!@title.empty? || text.to_s.strip.empty?) if @runs == [""]

          return Similarity.of(Similarity.runs(said), @said) >= ALIKE if @said && said

          Similarity.of(Similarity.runs(text.to_s), @runs) >= ALIKE
        end

        # @param said [String, nil] of another page
        # @return [Boolean] whether it says all that this one says and little of its own besides: the page of what is
        #   gone may still have its name and a line about it
        def within?(said)
          return false if said.nil? || @words < TELLING_WORDS
          return false if said.split.size - @words > [MOST_OWN_WORDS, 2 * @words].min

          (Similarity.runs(said) & @said).size >= ALIKE * @said.size
        end
      end
    end
  end
end

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

        # @param title [String, nil]
        # @param text [String, nil]
        # @param said [String, nil] what it says beside its headings and what the host's home page says (Said); nil
        #   where that isn't known
        def initialize(title:, text:, said: nil)
          @title = title.to_s
          @runs = Similarity.runs(text.to_s)
          @said = (said && said.split.size >= LEAST_WORDS) ? Similarity.runs(said) : nil
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
      end
    end
  end
end

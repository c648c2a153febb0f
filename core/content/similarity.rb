# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # How alike two texts are: the share of their runs of three words that both have (Jaccard's index).
      module Similarity
        RUN = 3
        WORD = /[[:alnum:]]+/

        module_function

        # @param text [String]
        # @return [Array<String>] its runs of words, each once; of a shorter text, the text
        def runs(text)
          words = text.downcase.scan(WORD)
          (words.size < RUN) ? [words.join(" ")] : words.each_cons(RUN).map { |run| run.join(" ") }.uniq
        end

        # @param one [Array<String>] runs
        # @param other [Array<String>] runs
        # @return [Float] from 0 to 1
        #   Similarity.of(Similarity.runs("a b c d"), Similarity.runs("a b c x")) # => 0.3333333333333333
        def of(one, other)
          both = (one & other).size
          both.fdiv(one.size + other.size - both)
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # What a host answers for a page that isn't there, and whether another page reads like it.
      class MissingPage
        # From here on two pages say the same (common practice; the answer often repeats the address that was asked for).
        ALIKE = 0.85

        # @param title [String, nil]
        # @param text [String, nil]
        def initialize(title:, text:)
          @title = title.to_s
          @runs = Likeness.runs(text.to_s)
        end

        # @param title [String, nil]
        # @param text [String]
        # @return [Boolean]
        def like?(title:, text:)
          return title.to_s == @title && !@title.empty? if @runs == [""]

          Likeness.of(Likeness.runs(text), @runs) >= ALIKE
        end
      end
    end
  end
end

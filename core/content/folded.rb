# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Text as it is seen on one line: a run of white space, whichever, is one blank, and none stands around it.
      module Folded
        BLANK = /[[:space:]]+/
        # What would be changed by it; asked first where most texts wouldn't.
        UNFOLDED = /\A[[:space:]]|[[:space:]]{2}|[\t-\r\u0085\u00A0\u2000-\u200A\u2028\u2029\u202F\u3000]|[[:space:]]\z/

        module_function

        # @param text [String]
        # @return [String]
        #   Folded.of(" Two\n  words ") # => "Two words"
        def of(text) = text.gsub(BLANK, " ").strip

        # @param text [String, nil]
        # @return [String, nil] the same object where nothing is to be folded
        def if_needed(text) = (text && UNFOLDED.match?(text)) ? of(text) : text
      end
    end
  end
end

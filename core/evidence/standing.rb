# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # What an index says of a URL.
      module Standing
        IN_INDEX = "in_index"
        NOT_KNOWN = "not_known"
        HIDDEN = "hidden"
        MOVED = "moved"
        # By state, as people read it.
        NAMES = {
          IN_INDEX => "in the index",
          "kept_elsewhere" => "kept under another URL",
          "passed_over" => "fetched and left out",
          "waiting" => "known, not fetched yet",
          "turned_away_noindex" => "turned away by noindex",
          "turned_away_robots" => "turned away by robots.txt",
          MOVED => "redirects",
          "missing" => "not found",
          "server_failed" => "server failed",
          HIDDEN => "hidden for a while",
          NOT_KNOWN => "not known"
        }.freeze
        STATES = NAMES.keys.freeze
        # The index holds nothing of a URL, and has heard why or never heard of it.
        LET_GO = [MOVED, NOT_KNOWN, "passed_over", "turned_away_noindex", "turned_away_robots", "missing"].freeze

        module_function

        # @param text [String] of a file
        # @param words [Hash{String => String}] the source's own words, in lower case, by which a state is told
        # @return [String, nil] the state; nil where it is none
        #   Standing.read("Indexed", {"indexed" => "in_index"}) # => "in_index"
        def read(text, words)
          plain = text.strip.downcase
          words.fetch(plain) { STATES.include?(plain) ? plain : nil }
        end

        # @param state [String]
        # @param reason [String, nil] of the index, in its words
        # @return [String]
        #   Standing.explain("passed_over", "too thin") # => "fetched and left out: too thin"
        def explain(state, reason) = [NAMES.fetch(state), reason].compact.join(": ")
      end
    end
  end
end

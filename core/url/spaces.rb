# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Of which spaces only so many URLs are fetched: patterns with a number, which come first, and what may grow
      # without end.
      class Spaces
        # `kind` says what sort of space it is, `name` which one, `most` how many of it are fetched.
        Space = Struct.new(:kind, :name, :most)

        PATTERN = "pattern"

        # @param caps [Array<Hash>] {"pattern", "most"}, the first match counts
        # @param trap_limit [Integer]
        def initialize(caps:, trap_limit:)
          @caps = caps.map { |cap| [Pattern.new(cap["pattern"]), Space.new(PATTERN, cap["pattern"], cap["most"])] }
          @trap_limit = trap_limit
        end

        # @param url [String] in normal form
        # @return [Space, nil]
        def of(url)
          cap = @caps.find { |pattern, _| pattern.match?(url) }
          return cap.last if cap

          trap = Trap.of(NormalForm.split(url))
          trap && Space.new(trap.kind, trap.space, @trap_limit)
        end
      end
    end
  end
end

# frozen_string_literal: true

require "digest"

module Gazetteer
  # Numbers that look thrown and are always the same for the same seed and words.
  class Seeded
    # @param seed [Integer]
    def initialize(seed)
      @seed = seed
    end

    # @param words [Array<Object>]
    # @return [Float] from 0 to under 1
    def share(*words) = Digest::MD5.digest([@seed, *words].join("\0")).unpack1("L>").fdiv(1 << 32)
  end
end

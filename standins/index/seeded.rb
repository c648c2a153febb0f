# frozen_string_literal: true

require "digest"

module Gazetteer
  # Numbers that look thrown and are always the same for the same seed and words.
  class Seeded
    # @param seed [Integer]
    def initialize(seed)
      @seed = seed
      @kept = Hash.new { |names, name| names[name] = {} }
    end

    # @param words [Array<Object>]
    # @return [Float] from 0 to under 1
    def share(*words) = several(*words).first

    # @param words [Array<Object>]
    # @return [Array<Float>] four of them
    def several(*words) = Digest::MD5.digest([@seed, *words].join("\0")).unpack("L>4").map { |one| one.fdiv(1 << 32) }

    # One that is asked for again and again.
    #
    # @param url [String]
    # @param name [String]
    # @return [Float]
    def of(url, name) = @kept[name][url] ||= share(url, name)
  end
end

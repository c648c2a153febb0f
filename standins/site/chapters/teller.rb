# frozen_string_literal: true

require "zlib"

module SkerrySite
  module Chapters
    # Tells something from sentences with gaps, another for each key and the same for the same key.
    class Teller
      # @param sentences [Hash{String => Array<String>}] by what they are about; {name} is a gap, {10..99} one for a
      #   number
      # @param words [Hash{String => Array<String>}] what may stand in a gap
      def initialize(sentences, words)
        @sentences = sentences
        @words = words
      end

      # @param key [String]
      # @param kinds [Array<String>] what the sentences are to be about, in order
      # @param given [Hash{String => Object}] what stands in some gaps
      # @return [String] sentences, none of them twice
      def tell(key, kinds, given = {})
        random = Random.new(Zlib.crc32(key))
        kinds.tally.to_h { |kind, count| [kind, @sentences.fetch(kind).sample(count, random: random)] }.then do |drawn|
          kinds
            .map { |kind| fill(drawn[kind].shift, random, given) }
            .map { |sentence| sentence[0].upcase + sentence[1..] }
            .join(" ")
        end
      end

      # @param key [String]
      # @param kind [String]
      # @return [String] one sentence
      def one(key, kind, given = {}) = tell(key, [kind], given)

      private

      def fill(sentence, random, given)
        sentence
          .gsub(/\{(\d+)\.\.(\d+)\}/) { random.rand($1.to_i..$2.to_i).to_s }
          .gsub(/\{(\w+)\}/) do
            given.fetch($1) { ($1 == "n") ? random.rand(2..58).to_s : @words.fetch($1).sample(random: random) }.to_s
          end
      end
    end
  end
end

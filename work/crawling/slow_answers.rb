# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # How long a page takes, told without our own load: where it was slow it is asked again when nothing else is, and
      # the better time counts. Of very many slow pages some are asked again; if these are slow still, the others are
      # believed.
      class SlowAnswers
        # So many of the slowest are asked again.
        MOST = 20
        # From this share on the site is slow, and not we.
        CONFIRMED = 0.8

        # @param again [Array<Integer>] milliseconds of those that were asked again
        # @param limit [Integer] from which a page is slow
        def initialize(again, limit)
          @limit = limit
          @believed = again.any? && again.count { |time| time > limit } >= again.size * CONFIRMED
        end

        # @param row [Hash{String => Object}] response_ms and again_ms of a page
        # @return [Integer, nil] milliseconds by which it is to be judged
        def judged(row)
          first, again = row.values_at("response_ms", "again_ms")
          return first if first.nil? || first <= @limit || @believed
          return [first, again].min if again

          # Nobody asked again.
          @limit
        end
      end
    end
  end
end

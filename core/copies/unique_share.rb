# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # How much of each text is found in no other: the share of its shingles that are seen once. What a text quotes of
      # a page that it links to is that page's: it counts as the page's own, and not as the text's. Where a site says
      # the same once in parts and once on one page, the parts own it.
      class UniqueShare
        include Arrays

        # Shingles are kept in so many parts by their number, so that sorting takes little room beside them.
        PARTS = 16
        PART_BITS = 28
        LOWER_HALF = 0xFFFFFFFF
        TOGETHER = 500
        # Of more shingles than these only a sample is kept, by their number: shares stay right but for chance.
        MOST = 50_000_000
        NOBODY = -1
        # A text half of which is found in others that are a third of its length at most is an edition of those (ours).
        EDITION_SHARE = 0.5
        PART_OF = 3

        # @param expected [Integer] shingles in all, about
        def initialize(expected)
          @parts = Array.new(PARTS) { "".b }
          @quotes = Array.new(PARTS) { ["".b, "".b] }
          @names = {}
          @targets = {}
          @sizes = []
          @waiting = []
          @quoted = []
          # A shingle is kept where its number is divisible by this.
          @every = [expected.fdiv(MOST).ceil, 1].max
        end

        # @param name [Object] of the next text, by which others may quote it
        # @param shingles [Numo::UInt32] of what it says by itself
        # @param quotes [Array<Array(Numo::UInt32, Array<Object>)>] shingles of what it may quote, with the names of the
        #   texts that may have said it first
        # @return [void]
        def add(shingles, name: nil, quotes: [])
          number = @sizes.size
          @names[name] = number
          shingles = kept(shingles)
          size = shingles.size
          quotes.each { |quoted, names| size += quote(number, kept(quoted), names) }
          @sizes << size
          @waiting << [number, shingles.to_binary]
          put_away if @waiting.size == TOGETHER
        end

        # @return [Array<Float, nil>] by number of the text, from 0 to 1; nil where nothing of it was kept
        def shares
          put_away
          alone, covered = Array.new(2) { Numo::Int32.zeros(@sizes.size) }
          @parts.each_index do |part|
            sorted = in_order(occurrences(part))
            alone += seen_once(sorted)
            covered += found_in_parts(sorted)
          end
          alone = of_parts(alone, editions(covered)) if @sizes.any?
          @sizes.each_with_index.map { |size, number| size.zero? ? nil : [alone[number].fdiv(size), 1.0].min }
        end

        private

        # @param covered [Numo::Int32] by number of the text, its shingles that are found in parts of it
        # @return [Numo::Bit] by number of the text
        def editions(covered) = covered.ge(sizes * EDITION_SHARE) & covered.gt(0)

        # @param alone [Numo::Int32] by number of the text, its shingles that are seen once
        # @param editions [Numo::Bit]
        # @return [Numo::Int32] the same, where editions say nothing against their parts
        def of_parts(alone, editions)
          return alone if editions.none?

          found = Numo::Int32.zeros(@sizes.size)
          @parts.each_index do |part|
            sorted = in_order(occurrences(part))
            next if sorted.empty?

            left = (~editions[sorted & LOWER_HALF]).where
            found += seen_once(sorted[left]) unless left.empty?
          end
          found[editions.where] = alone[editions.where]
          found
        end

        def sizes = @sizes_of ||= Numo::Int32.cast(@sizes)

        # @param sorted [Numo::UInt64] shingles with the texts that they count for
        # @return [Numo::Int32] by number of the text, how many of its shingles a far shorter text has, too
        def found_in_parts(sorted)
          return 0 if sorted.size < 2

          shared = in_several(sorted >> 32)
          return 0 if shared.empty?

          texts = sorted[shared] & LOWER_HALF
          shingles = sorted[shared] >> 32
          # Within each run of a shingle the shortest text comes first.
          order = ((shingles << 32) + Numo::UInt64.cast(sizes[texts])).sort_index
          size = sizes[texts[order]]
          begins = Numo::Bit.ones(order.size)
          begins[1..] = shingles[order][1..].ne(shingles[order][0...-1])
          shortest = size[begins.where][Numo::Int32.cast(begins).cumsum - 1]
          count(texts[order][size.ge(shortest * PART_OF).where])
        end

        def kept(shingles) = (@every > 1) ? shingles[(shingles % @every).eq(0)] : shingles

        # Kept as often as there are texts that may have said it.
        def quote(number, shingles, names)
          return 0 if shingles.empty?

          binary = shingles.to_binary
          names.each { |name| @quoted << [number, @targets[name] ||= @targets.size, binary] }
          shingles.size
        end

        # Many texts at once, since each step costs the same for one.
        def put_away
          waiting, @waiting = @waiting, []
          quoted, @quoted = @quoted, []
          by_part(waiting) { |part, places| @parts[part] << places.to_binary }
          targets = Numo::Int32.cast(quoted.map { |one| one[1] })
          by_part(quoted) do |part, places, of|
            @quotes[part][0] << places.to_binary
            @quotes[part][1] << targets[of].to_binary
          end
        end

        # @param texts [Array<Array>] each with its number first and its shingles, as bytes, last
        # @yieldparam part [Integer]
        # @yieldparam places [Numo::UInt64] its shingles, each with the number of its text behind it
        # @yieldparam of [Numo::Int32] which of these texts each belongs to
        def by_part(texts)
          binaries = texts.map(&:last)
          return if binaries.all?(&:empty?)

          shingles = Numo::UInt32.from_binary(binaries.join)
          of = numbers_of(binaries.map { |binary| binary.bytesize / 4 })
          places = (Numo::UInt64.cast(shingles) << 32) + Numo::UInt64.cast(texts.map(&:first))[of]
          part_of = shingles >> PART_BITS
          PARTS.times do |part|
            here = part_of.eq(part).where
            yield part, places[here], of[here] unless here.empty?
          end
        end

        def in_order(places) = places.empty? ? places : places.sort

        # @return [Numo::UInt64] shingles with the texts that they count for, in any order
        def occurrences(part)
          said = from_binary(@parts[part])
          quotes = from_binary(@quotes[part].first)
          return said if quotes.empty?

          both = join(said, unproved(quotes, Numo::Int32.from_binary(@quotes[part].last), said)).sort
          return both if both.size < 2

          both[1..].ne(both[0...-1]).where.then { |at| at.empty? ? both[0..0] : join(both[0..0], both[at + 1]) }
        end

        # What none of those says who may have said it first is what the quoting text says itself.
        def unproved(quotes, targets, said)
          numbers = Numo::Int64.cast(@targets.keys.map { |name| @names.fetch(name, NOBODY) })[targets]
          known = numbers.ge(0)
          proved = quotes[known]
          unless proved.empty?
            proved =
              proved[
                among((proved & ~LOWER_HALF & ((1 << 64) - 1)) + Numo::UInt64.cast(numbers[known]), said)
              ]
          end
          proved.empty? ? quotes : quotes[~among(quotes, proved)]
        end

        def seen_once(sorted)
          return 0 if sorted.empty?

          shingles = sorted >> 32
          alone = Numo::Bit.ones(sorted.size)
          if sorted.size > 1
            same = shingles[0...-1].eq(shingles[1..])
            alone[0...-1] = ~same
            alone[1..] = alone[1..] & ~same
          end
          count(sorted[alone] & LOWER_HALF)
        end

        def count(texts) = texts.empty? ? 0 : Numo::Int32.cast(texts).bincount(minlength: @sizes.size)
      end
    end
  end
end

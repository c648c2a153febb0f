# frozen_string_literal: true

require "numo/narray"

module IronTrellis
  module Core
    module Copies
      # Finds the copies among many texts. They are numbered as they come, which must be in the order in which they
      # would stand for each other.
      class Finder
        # From here on two texts are near copies (common practice).
        NEAR = 0.85
        # What isn't the same to the letter, though its words are, is told of as nearly so.
        NEARLY_SAME = 0.9999
        # Of a crowd that meets, each is compared with so many that came before.
        MOST_COMPARED = 50

        # A text that is a copy: the number of the one that stands for it, and how alike they are (1.0 where they say
        # the same).
        Copy = Struct.new(:stands, :similarity)

        # Of a text of more runs than these a fixed part of them is kept, by their numbers: two texts are then compared
        # by the same part of both. The similarity of two texts by a thousand runs is off by 0.011 in one case of three
        # (the standard deviation of a share of 0.85).
        MOST_RUNS = 1_024
        # Which texts meet is told of long ones by every fourth of their runs. Texts a little longer than the limit take
        # part in both, since those that are alike are of nearly one length (of similarity NEAR by a fifth at most).
        COARSE = 4
        BOTH = (MOST_RUNS + 1)..(MOST_RUNS * 1.4)
        # Sketches by one part of the runs, and the numbers of the texts that they are of.
        Sketched = Struct.new(:sketches, :numbers)
        # What is kept of a text: runs, and of how many each one stands for.
        Part = Struct.new(:binary, :every)

        def initialize
          @texts = []
          @first = {}
          @sketched = [1, COARSE].to_h { |every| [every, Sketched.new(Sketches.new, [])] }
        end

        # @param shingles [Numo::UInt32] of the next text
        # @param fingerprint [Object] equal where two texts are the same to the letter
        # @return [void]
        def add(shingles, fingerprint)
          number = @texts.size
          @texts << (((@first[fingerprint] ||= number) == number) ? part(shingles) : @first[fingerprint])
          return unless @first[fingerprint] == number && !shingles.empty?

          rates(shingles.size).each do |every|
            @sketched[every].sketches.add(of_part(shingles, every))
            @sketched[every].numbers << number
          end
        end

        # @return [Hash{Integer => Copy}] by number, the texts for which others stand
        def copies
          near = clusters
          same = @texts.each_index.select { |number| @texts[number].is_a?(Integer) }
          near.merge(same.to_h { |number| [number, near[@texts[number]] || Copy.new(@texts[number], 1.0)] })
        end

        private

        def clusters
          copies = {}
          neighbours = pairs
          neighbours.keys.sort.each { |number| gather(number, neighbours, copies) unless copies.key?(number) }
          copies
        end

        # Walks from a text that stands for itself over pairs of copies, as far as they are copies of it: what is one of
        # a copy only is none of what stands for that.
        def gather(stands, neighbours, copies)
          waiting = neighbours[stands].keys
          while (number = waiting.shift)
            next if number == stands || copies.key?(number) || (similarity = similarity(stands, number)) < NEAR

            copies[number] = Copy.new(stands, [similarity, NEARLY_SAME].min)
            waiting.concat(neighbours[number].keys)
          end
        end

        # @return [Hash{Integer => Hash{Integer => true}}]
        def pairs
          alike = Hash.new { |all, number| all[number] = {} }
          @sketched.each_value do |sketched|
            sketched.sketches.each_meeting do |met|
              before = []
              met.each { |place| meet(sketched.numbers[place], before, alike) }
            end
          end
          alike
        end

        def rates(runs)
          return [1] if runs <= MOST_RUNS

          BOTH.cover?(runs) ? [1, COARSE] : [COARSE]
        end

        # One that is alike is enough to belong to a cluster.
        def meet(number, before, alike)
          like = before.find { |other| alike[other].key?(number) || similarity(other, number) >= NEAR }
          alike[like][number] = alike[number][like] = true if like
          before << number if before.size < MOST_COMPARED
        end

        def part(shingles)
          every = 1
          every *= 2 while shingles.size > MOST_RUNS * every
          Part.new(of_part(shingles, every).to_binary, every)
        end

        # Numbers of runs are scattered, so that any bits of them choose by chance.
        def of_part(shingles, every) = (every == 1) ? shingles : shingles[(shingles & (every - 1)).eq(0)]

        def similarity(one, other)
          parts = [@texts[one], @texts[other]]
          every = parts.map(&:every).max
          Shingles.similarity(*parts.map { |part| of_part(Numo::UInt32.from_binary(part.binary), every) })
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # Finds the copies among many texts. They are numbered as they come, which must be in the order in which they would stand for each other.
      class Finder
        # From here on two texts are near copies (common practice).
        NEAR = 0.85
        # What is a copy only of a copy belongs to the same cluster as long as it is so like the text that stands for it.
        LEAST = 0.75
        # Of a crowd that meets, each is compared with so many that came before.
        MOST_COMPARED = 50

        # A text that is a copy: the number of the one that stands for it, and how alike they are (1.0 where they say the same).
        Copy = Struct.new(:stands, :likeness)

        def initialize
          @texts = []
          @first = {}
          @sketched = []
          @sketches = Sketches.new
        end

        # @param shingles [Numo::UInt32] of the next text
        # @param fingerprint [Object] equal where two texts say the same
        # @return [void]
        def add(shingles, fingerprint)
          number = @texts.size
          @texts << (((@first[fingerprint] ||= number) == number) ? shingles.to_binary : @first[fingerprint])
          return unless @first[fingerprint] == number && !shingles.empty?

          @sketches.add(shingles)
          @sketched << number
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

        # Walks from a text that stands for itself over pairs of copies, as far as they are still like it.
        def gather(stands, neighbours, copies)
          waiting = neighbours[stands].keys
          while (number = waiting.shift)
            next if number == stands || copies.key?(number) || (likeness = likeness(stands, number)) < LEAST

            copies[number] = Copy.new(stands, likeness)
            waiting.concat(neighbours[number].keys)
          end
        end

        # @return [Hash{Integer => Hash{Integer => true}}]
        def pairs
          alike = Hash.new { |all, number| all[number] = {} }
          @sketches.each_meeting do |met|
            before = []
            met.each { |place| meet(@sketched[place], before, alike) }
          end
          alike
        end

        # One that is alike is enough to belong to a cluster.
        def meet(number, before, alike)
          like = before.find { |other| alike[other].key?(number) || likeness(other, number) >= NEAR }
          alike[like][number] = alike[number][like] = true if like
          before << number if before.size < MOST_COMPARED
        end

        def likeness(one, other) = Shingles.likeness(shingles(one), shingles(other))

        def shingles(number) = Numo::UInt32.from_binary(@texts[number])
      end
    end
  end
end

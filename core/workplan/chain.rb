# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Tasks that are best done one right behind another: what they are worth, how long they take, their places.
      Chain =
        Struct.new(:benefit, :hours, :places) do
          # @param problem [Problem]
          # @param place [Integer]
          # @return [Chain] of one task
          def self.single(problem, place) = new(problem.benefits[place], problem.hours[place], [place])

          # What comes first and isn't worth its time is done only when what it holds up is worth it.
          #
          # @param first [Array<Chain>] the most worth an hour first
          # @param second [Array<Chain>] which all come behind
          # @return [Array<Chain>] those of both, the most worth an hour first
          def self.joined(first, second)
            return first + second if first.empty? || second.empty? || !second.first.better?(first.last)

            first, second = first.dup, second.dup
            middle = first.pop + second.shift
            loop do
              if first.any? && middle.better?(first.last)
                middle = first.pop + middle
              elsif second.any? && second.first.better?(middle)
                middle += second.shift
              else
                return [*first, middle, *second]
              end
            end
          end

          # @param lists [Array<Array<Chain>>] that nothing binds to each other
          # @return [Array<Chain>] the most worth an hour first
          def self.beside(lists)
            long, *others = lists.sort_by { |list| -list.size }
            others.flatten(1).inject(long.to_a.dup) do |list, chain|
              list.insert(list.bsearch_index { |one| chain.better?(one) } || list.size, chain)
            end
          end

          # @return [Boolean] whether it is worth more an hour
          def better?(other)
            return false if other.nothing?

            nothing? || benefit * other.hours > other.benefit * hours
          end

          # What costs nothing and is worth nothing stands first.
          def nothing? = benefit.zero? && hours.zero?

          def +(other) = Chain.new(benefit + other.benefit, hours + other.hours, places + other.places)
        end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Where one task can begin behind what its owner has done already.
      class Placing
        EPSILON = WorkingTime::EPSILON

        # @return [Hash{Integer => Float}] when those are done that somebody locked to a day, by place
        attr_reader :locked

        # @param problem [Problem]
        def initialize(problem)
          @problem = problem
          @locked =
            problem
              .locks
              .each_with_index
              .filter_map { |lock, place| [place, lock + problem.hours[place]] if lock }
              .to_h
          @taken = Array.new(problem.owners.size) { [] }
          @locked.each { |place, finish| @taken[problem.owner_of[place]] << [problem.locks[place], finish] }
          @taken.each(&:sort!)
        end

        # @param place [Integer]
        # @param free_from [Float] from which hour on its owner is free
        # @param finishes [#[]] by place, when those before it are done
        # @return [Float]
        def start(place, free_from, finishes)
          earliest = [free_from, @problem.releases[place], after_others(place, finishes)].max
          beside_locked(@problem.owner_of[place], earliest, @problem.hours[place])
        end

        # @param place [Integer]
        # @param finishes [#[]] by place
        # @return [Float] hours of its owner before all that comes before it is done
        def after_others(place, finishes)
          latest = 0.0
          @problem.before[place].each do |one|
            done = @problem.seen_by(one, finishes[one], place)
            latest = done if done > latest
          end
          latest
        end

        # @param place [Integer]
        # @param finish [Float]
        # @return [Boolean]
        def late?(place, finish) = (deadline = @problem.deadlines[place]) ? finish > deadline + EPSILON : false

        private

        def beside_locked(owner, start, hours)
          @taken[owner].each do |from, to|
            start = to if start + hours > from + EPSILON && start < to - EPSILON
          end
          start
        end
      end
    end
  end
end

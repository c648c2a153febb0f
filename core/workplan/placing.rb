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

        # Others' hours go by the calendar; those of the same owner by the hours worked.
        #
        # @param place [Integer]
        # @param finishes [#[]] by place
        # @return [Float]
        def after_others(place, finishes)
          latest = 0.0
          @problem.before[place].each do |one|
            done = seen_by(one, finishes[one], place)
            latest = done if done > latest
          end
          latest
        end

        # @param one [Integer] which is done
        # @param finish [Float] after so many hours of its owner
        # @param place [Integer] which waits for it
        # @return [Float] hours of the owner of the one that waits
        def seen_by(one, finish, place)
          return finish if @problem.owner_of[one] == @problem.owner_of[place]

          @problem.time(place).after(@problem.time(one).moment(finish))
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

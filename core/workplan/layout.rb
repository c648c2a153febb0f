# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # When each task begins where they are laid out one after another in a given order, each as early as its owner,
      # those before it and its own dates let it. What is locked stands where it stands. Of two layouts that is better
      # that breaks fewer locks, then has fewer late ones, then the smaller sum of benefit x finish.
      class Layout
        include Comparable

        # @return [Array<Integer>] places of those that aren't locked, as they were laid out
        attr_reader :order
        # @return [Hash{Integer => Float}] working hours of the owner, by place
        attr_reader :starts, :finishes
        # @return [Array<Integer>] places of those that miss their deadline
        attr_reader :late
        # @return [Float] sum of benefit x finish
        attr_reader :objective

        # @param problem [Problem]
        # @param placing [Placing]
        # @param order [Array<Integer>] places of all that aren't locked, none before one that it comes after
        def initialize(problem, placing, order)
          @problem = problem
          @placing = placing
          @order = order
          @starts = {}
          @finishes = {}
          @late = []
          @objective = 0.0
          placing.locked.each { |place, finish| put(place, finish - problem.hours[place], finish) }
          lay
        end

        # @param other [Layout]
        # @return [Integer] below 0 where this one is better
        def <=>(other) = value <=> other.value

        # @return [Array(Integer, Integer, Float)]
        def value = @value ||= [broken.size, late.size, objective.round(6)]

        # @return [Array<Integer>] places of locked tasks for which something before them isn't done in time
        def broken =
          @broken ||=
            @placing.locked.keys.select do |place|
              @placing.after_others(place, finishes) > @problem.locks[place] + WorkingTime::EPSILON
            end

        private

        def lay
          free_from = Array.new(@problem.owners.size, 0.0)
          order.each do |place|
            owner = @problem.owner_of[place]
            start = @placing.start(place, free_from[owner], finishes)
            put(place, start, free_from[owner] = start + @problem.hours[place])
          end
        end

        def put(place, start, finish)
          @starts[place] = start
          @finishes[place] = finish
          @objective += @problem.benefits[place] * finish
          @late << place if @placing.late?(place, finish)
        end
      end
    end
  end
end

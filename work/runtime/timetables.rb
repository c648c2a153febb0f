# frozen_string_literal: true

module IronTrellis
  module Work
    module Runtime
      # Looks now and then after what has its time: every worker does, and what is due sees itself to it that it starts
      # once.
      class Timetables
        SECONDS = 15

        # @param due [Array<#call>] what is asked each time, each given the time
        # @param clock [#call] gives the time
        def initialize(due, clock: -> { Time.now })
          @due = due
          @clock = clock
        end

        # To be called as often as one likes.
        #
        # @return [nil]
        def tick
          now = @clock.call
          return if @looked_at && now - @looked_at < SECONDS

          @looked_at = now
          @due.each { |one| one.call(now) }
          nil
        end
      end
    end
  end
end

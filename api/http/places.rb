# frozen_string_literal: true

module IronTrellis
  module Api
    module Http
      # What may be worked at at once, so that nobody can hold all of the server: requests of one account, large
      # bodies, and routes that wait for other servers. What comes when all places are taken waits for one a while; of
      # those that wait there is a limit, too, since each holds a thread.
      class Places
        AT_ONCE = {person: 8, large: 2, outside: 4}.freeze
        WAITING = {person: 6, large: 1, outside: 2}.freeze
        SECONDS = 5

        # @param seconds [Numeric] for how long a place is waited for
        def initialize(seconds: SECONDS)
          @seconds = seconds
          @busy = Hash.new(0)
          @waiting = Hash.new(0)
          @lock = Mutex.new
          @given_back = ConditionVariable.new
        end

        # @param places [Array<Array>] each a kind of AT_ONCE and whose it is
        # @return [Boolean] whether all of them were taken
        def take(places)
          @lock.synchronize do
            next false unless free?(places) || waited(places)

            places.each { |place| @busy[place] += 1 }
            true
          end
        end

        # @param places [Array<Array>] as they were taken
        # @return [void]
        def give_back(places)
          @lock.synchronize do
            places.each { |place| less(@busy, place) }
            @given_back.broadcast
          end
        end

        private

        def free?(places) = places.all? { |place| @busy[place] < AT_ONCE.fetch(place.first) }

        def waited(places)
          return false if places.any? { |place| @waiting[place] >= WAITING.fetch(place.first) }

          places.each { |place| @waiting[place] += 1 }
          ends = monotonic + @seconds
          @given_back.wait(@lock, ends - monotonic) until free?(places) || monotonic >= ends
          free?(places)
        ensure
          places.each { |place| less(@waiting, place) } if ends
        end

        # Whose number is none is forgotten.
        def less(numbers, place) = (numbers[place] == 1) ? numbers.delete(place) : numbers[place] -= 1

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end

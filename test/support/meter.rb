# frozen_string_literal: true

# Stands before a Rack application and notes how hard it is asked.
class Meter
  attr_reader :most_at_once

  # @param application [#call]
  def initialize(application)
    @application = application
    @lock = Mutex.new
    @now = @most_at_once = 0
    @times = []
  end

  # @param env [Hash] Rack environment
  # @return [Array] Rack response
  def call(env)
    @lock.synchronize do
      @times << Process.clock_gettime(Process::CLOCK_MONOTONIC)
      @most_at_once = [@most_at_once, @now += 1].max
    end
    @application.call(env)
  ensure
    @lock.synchronize { @now -= 1 }
  end

  # @param seconds [Numeric]
  # @return [Integer] the most requests that came in any so many seconds
  def most_in(seconds)
    first = 0
    @times.each_with_index.map do |time, index|
      first += 1 while time - @times[first] > seconds
      index - first + 1
    end.max
  end
end

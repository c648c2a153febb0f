# frozen_string_literal: true

require_relative "../test_helper"

# What may be worked at at once: who comes too many waits for a place, and not all do.
class PlacesTest < Minitest::Test
  Places = IronTrellis::Api::Http::Places
  ADA = [[:person, 1]].freeze
  LONG = 600

  def test_all_places_of_one_leave_those_of_others
    places = Places.new(seconds: 0)
    assert_equal [true] * 8 + [false], Array.new(9) { places.take(ADA) }
    assert places.take([[:person, 2]])
    refute places.take([[:person, 2], [:person, 1]])
    places.give_back(ADA)
    assert places.take(ADA)
  end

  def test_who_comes_too_many_waits_until_a_place_is_given_back
    places = Places.new(seconds: LONG)
    8.times { places.take(ADA) }
    waiting = Array.new(6) { Thread.new { places.take(ADA) } }
    # A thread that sleeps may wait for the lock still, and isn't counted then.
    Thread.pass until places.instance_variable_get(:@waiting)[ADA.first] == 6
    refute places.take(ADA), "so many wait that it is told at once"
    6.times { places.give_back(ADA) }
    assert_equal [true] * 6, waiting.map(&:value)
    8.times { places.give_back(ADA) }
    assert places.take(ADA)
  end
end

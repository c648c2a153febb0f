# frozen_string_literal: true

require_relative "../test_helper"

class SamenessTest < Minitest::Test
  Core = IronTrellis::Core
  Fetch = IronTrellis::Fetch
  Item = Struct.new(:url)
  Facts = Struct.new(:text)
  ENOUGH = Fetch::Crawling::ParameterLoopDetector::ENOUGH

  def see(watch, url, text) =
    watch.see(Core::Crawling::Outcome.new(item: Item.new(url), facts: text && Facts.new(text)))

  # @return [Array<String>] spaces that were called the same, in order
  def seen(count = ENOUGH)
    watch = Fetch::Crawling::ParameterLoopDetector.new
    (0...count).filter_map { |number| see(watch, *yield(number)) }
  end

  def test_a_space_whose_pages_are_all_alike_is_named_once
    assert_equal ["http://a.test/list?"], seen(ENOUGH * 2) { |number| ["http://a.test/list?p=#{number}", "the same"] }
  end

  def test_a_tenth_of_new_pages_is_still_repetition_and_more_is_not
    assert_equal 1, seen { |number| ["http://a.test/list?p=#{number}", "text #{number % 20}"] }.size
    assert_empty(seen { |number| ["http://a.test/list?p=#{number}", "text #{number % 21}"] })
  end

  def test_pages_without_a_query_or_without_text_are_not_judged
    assert_empty(seen { |number| ["http://a.test/#{number}", "the same"] })
    assert_empty(seen { |number| ["http://a.test/?p=#{number}", ""] })
    assert_empty(seen { |number| ["http://a.test/?p=#{number}", nil] })
  end

  def test_addresses_are_watched_apart
    assert_empty(seen { |number| ["http://a.test/#{number.even? ? "a" : "b"}?p=#{number}", "the same"] })
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Yardsticks of the content audit, at their limits and where nothing is known.
class ReviewTest < Minitest::Test
  Review = IronTrellis::Core::Review
  Wrong = IronTrellis::Core::Error::InvalidInput

  def yardstick(**given) =
    Review::Yardstick.read(
      {"field" => "words", "op" => "at_least", "value" => 300, "weight" => 1}.merge(given.transform_keys(&:to_s))
    )

  def test_each_comparison_at_its_limit
    assert_equal [true, false, nil], [300, 299, nil].map { |words| yardstick.met?({"words" => words}) }
    assert_equal [false, true], [300, 299].map { |words| yardstick(op: "below").met?({"words" => words}) }
    assert_equal [true, false],
      %w[en de].map { |lang| yardstick(field: "lang", op: "is", value: "en").met?({"lang" => lang}) }
    filled = yardstick(field: "description", op: "filled", value: nil)
    assert_equal [true, false, false], ["x", "", nil].map { |text| filled.met?({"description" => text}) }
  end

  def test_the_score_is_the_share_of_the_weights_that_are_known
    yardsticks = [yardstick(weight: 3), yardstick(field: "clicks", value: 1, weight: 1)]
    assert_equal [[true, false], 0.75], Review::Score.of(yardsticks, {"words" => 300, "clicks" => 0})
    assert_equal [[true, nil], 1.0], Review::Score.of(yardsticks, {"words" => 300})
    assert_equal [[nil, nil], nil], Review::Score.of(yardsticks, {})
  end

  def test_what_cannot_be_compared_is_told
    [{field: "beauty"}, {op: "like"}, {weight: 0}, {value: "many"}].each do |wrong|
      assert_raises(Wrong) { yardstick(**wrong) }
    end
    assert_equal 7, Review::Yardstick::DEFAULT.map { |one| Review::Yardstick.read(one) }.size
  end

  def test_fates_that_lead_elsewhere_need_a_target
    read = ->(value) { IronTrellis::Core::Decisions::Registry.read("review", "http://a.test/x", value) }
    assert_equal({"fate" => "improve"}, read.call({"fate" => "improve", "target" => ""}).last)
    assert_equal "http://a.test/y", read.call({"fate" => "merge_into", "target" => "HTTP://a.test/y"}).last["target"]
    [{"fate" => "merge_into"}, {"fate" => "burn"}].each { |wrong| assert_raises(Wrong) { read.call(wrong) } }
  end
end

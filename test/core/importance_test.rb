# frozen_string_literal: true

require_relative "../test_helper"

class ImportanceTest < Minitest::Test
  Score = IronTrellis::Core::Importance::Score

  def test_parts_count_by_their_weights
    all = {"authority" => 1.0, "clicks" => 0.5, "impressions" => 0.0, "nearness" => 1.0, "sitemap" => 1.0}

    assert_equal 70.0, Score.of(all).value
    assert_equal({standing: 0.5, weight: 0.3}, Score.of(all).parts["clicks"])
  end

  def test_what_is_not_known_leaves_its_weight_to_the_others
    score = Score.of({"authority" => 1.0, "nearness" => 0.0, "sitemap" => nil, "clicks" => nil})

    assert_equal 77.8, score.value
    assert_equal({"authority" => 0.7778, "nearness" => 0.2222}, score.parts.transform_values { |part| part[:weight] })
    assert_nil Score.of({"clicks" => nil})
  end

  def test_a_key_page_is_never_below_ninety_and_may_be_above
    assert_equal 90.0, Score.of({"authority" => 0.1}, key_page: true).value
    assert_equal 95.0, Score.of({"authority" => 0.95}, key_page: true).value
    assert_equal 90.0, Score.of({"authority" => 0.1}, key_page: true).parts["key_page"][:least]
  end
end

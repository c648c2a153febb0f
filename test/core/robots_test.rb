# frozen_string_literal: true

require_relative "../test_helper"

class RobotsTest < Minitest::Test
  Robots = IronTrellis::Core::Robots

  def decide(text, path, agent: "IronTrellis", status: 200)
    url = IronTrellis::Core::Url::NormalForm.parse("http://a.test#{path}")
    Robots::Policy.from_answer(status: status, text: text, agent: agent).decide(url)
  end

  def test_the_deciding_line_and_rule_are_told
    decision = decide("User-agent: *\nDisallow: /a\nAllow: /a/b # but this\n", "/a/c")

    assert_equal [false, 2, "Disallow: /a"], decision.to_a
  end

  def test_the_agents_own_group_beats_the_group_for_everyone_and_groups_merge
    text =
      "User-agent: *\nDisallow: /\n\nUser-agent: irontrellis\nDisallow: /x\n\nUser-Agent: IronTrellis/2.0\nDisallow: " \
      "/y\n"

    assert decide(text, "/z").allowed?
    refute decide(text, "/x").allowed?
    refute decide(text, "/y").allowed?
  end

  def test_a_group_may_have_several_agents
    text = "User-agent: a\nUser-agent: b\nDisallow: /x\n\nUser-agent: c\nDisallow:\n"

    refute decide(text, "/x", agent: "b").allowed?
    assert decide(text, "/x", agent: "c").allowed?
    assert_nil decide(text, "/x", agent: "c").line
  end

  def test_stars_and_the_end_sign
    text = "User-agent: *\nDisallow: /*.gif$\nDisallow: /a*b*c\n"

    refute decide(text, "/x/y.gif").allowed?
    assert decide(text, "/y.gif?x").allowed?
    refute decide(text, "/a1b2c3").allowed?
    assert decide(text, "/acb").allowed?
  end

  def test_many_stars_take_no_longer_than_the_path
    text = "User-agent: *\nDisallow: /#{"*a" * 2000}$\n"

    assert decide(text, "/#{"a" * 1999}b").allowed?
  end

  def test_missing_files_allow_everything_and_failing_ones_nothing
    assert decide(nil, "/x", status: 404).allowed?
    refute decide(nil, "/x", status: 503).allowed?
    refute decide(nil, "/x", status: nil).allowed?
    assert decide("User-agent: *\nDisallow: /", "/robots.txt").allowed?
  end

  def test_bytes_that_are_no_text_line_ends_of_all_kinds_and_a_byte_order_mark_are_borne
    text = "\uFEFFUser-agent: *\rDisallow: /x\r\n\xFF\xFE\nDisallow: /y"

    refute decide(text, "/x").allowed?
    refute decide(text, "/y").allowed?
  end

  def test_percent_encoding_is_compared_normalised
    refute decide("User-agent: *\nDisallow: /caf%c3%a9", "/café").allowed?
    refute decide("User-agent: *\nDisallow: /é", "/%C3%A9x").allowed?
  end

  def test_sitemaps_stand_outside_the_groups
    file =
      Robots::Ruleset.new("Sitemap: http://a.test/one.xml\nUser-agent: x\nsitemap:http://a.test/two.xml\nDisallow: /\n")

    assert_equal %w[http://a.test/one.xml http://a.test/two.xml], file.sitemaps
    assert_equal 1, file.rules_for("x").size
  end

  def test_tokens_with_digits_are_taken_as_files_hold_them
    file = "User-agent: bot777\nDisallow: /a\n\nUser-agent: *\nDisallow: /\n"
    allowed = ->(agent, path) do
      IronTrellis::Core::Robots::Policy
        .from_answer(status: 200, text: file, agent: agent)
        .decide(IronTrellis::Core::Url::NormalForm.parse("http://a.test#{path}"))
        .allowed?
    end
    assert_equal [true, false], [allowed.call("BOT777", "/b"), allowed.call("bot777", "/a")]
    assert allowed.call("bot", "/b"), "the token of RFC 9309 ends before the digits"
    refute allowed.call("other", "/b")
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# More blocked in a robots.txt: what shall be is, and nothing else.
class RobotsBlockingTest < Minitest::Test
  Robots = IronTrellis::Core::Robots
  Url = IronTrellis::Core::Url::NormalForm
  SITE = "http://a.test"

  def test_addresses_and_folders_are_blocked_and_their_neighbours_are_not
    text =
      Robots::Blocking.new("User-agent: *\nDisallow: /old\nSitemap: #{SITE}/s.xml", "Bot").call(
        ["#{SITE}/tags/a", "#{SITE}/tags/b/c", "#{SITE}/thanks", "#{SITE}/search?q=1*", "#{SITE}/p$"],
        ["#{SITE}/tags/b/", "#{SITE}/tags/"]
      )
    %w[/tags/a /tags/b/c /tags/new /thanks /search?q=1* /p$ /old].each { |path| refute allowed?(text, path), path }
    %w[/ /thanks/more /thanks?x=1 /search?q=12 /search /p /p$1 /tag].each { |path| assert allowed?(text, path), path }
    assert_equal ["#{SITE}/s.xml"], Robots::Ruleset.new(text).sitemaps
    assert_empty Robots::Syntax.flaws(text)
  end

  def test_an_agent_with_a_group_of_its_own_is_told_there
    file = "User-agent: bot\nDisallow: /x\n\nUser-agent: *\nDisallow:\n"
    text = Robots::Blocking.new(file, "Bot").call(["#{SITE}/y"], [])
    refute allowed?(text, "/y")
    refute allowed?(text, "/x")
    assert allowed?(text, "/y", agent: "Other")
  end

  # RFC 9309 joins groups of one agent, which not every reader does.
  def test_lines_are_added_to_the_group_that_is_there
    {
      "User-agent: *\nDisallow: /x\n\nUser-agent: Other\nDisallow: /\n" =>
        "User-agent: *\nDisallow: /x\nDisallow: /y$\n\nUser-agent: Other\nDisallow: /\n",
      "user-agent : * # all\r\nUser-agent: Other\r\nAllow: /x\r\nSitemap: #{SITE}/s.xml" =>
        "user-agent : * # all\r\nUser-agent: Other\r\nAllow: /x\r\nDisallow: /y$\nSitemap: #{SITE}/s.xml",
      "User-agent: *" => "User-agent: *\nDisallow: /y$\n",
      "User-agent: Other\nDisallow: /" => "User-agent: Other\nDisallow: /\n\nUser-agent: *\nDisallow: /y$\n"
    }.each do |file, wanted|
      text = Robots::Blocking.new(file, "Bot").call(["#{SITE}/y"], [])
      assert_equal wanted, text
      refute allowed?(text, "/y")
    end
  end

  def test_where_nothing_is_to_be_blocked_nothing_changes
    assert_equal "User-agent: *\nDisallow:\n", Robots::Blocking.new("User-agent: *\nDisallow:\n", "Bot").call([], [])
  end

  private

  def allowed?(text, path, agent: "Bot") =
    Robots::Policy.from_answer(status: 200, text: text, agent: agent).decide(Url.parse("#{SITE}#{path}")).allowed?
end

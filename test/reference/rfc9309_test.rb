# frozen_string_literal: true

require_relative "../test_helper"

# Source: RFC 9309 (Robots Exclusion Protocol), the examples of its sections 2.2.1 to 2.2.3 and 5, copied from the text.
class Rfc9309Test < Minitest::Test
  Core = IronTrellis::Core

  def allowed?(text, agent, url)
    Core::Robots::Policy
      .from_answer(status: 200, text: text, agent: agent)
      .decide(Core::Url::NormalForm.parse(url))
      .allowed?
  end

  # Section 2.2.1: two groups for one product token are combined.
  def test_section_2_2_1_groups_of_one_agent_are_combined
    text = "user-agent: ExampleBot\ndisallow: /foo\ndisallow: /bar\n\nuser-agent: ExampleBot\ndisallow: /baz\n"

    %w[/foo /bar /baz].each { |path| refute allowed?(text, "examplebot", "https://a.test#{path}") }
  end

  # Section 2.2.1: the star is for those that have no group of their own.
  def test_section_2_2_1_the_star_is_for_the_rest
    text = "user-agent: *\ndisallow: /foo\ndisallow: /bar\n\nuser-agent: ExampleBot\ndisallow: /baz\n"

    assert allowed?(text, "ExampleBot", "https://a.test/foo")
    refute allowed?(text, "OtherBot", "https://a.test/foo")
    assert allowed?(text, "OtherBot", "https://a.test/baz")
  end

  # Section 2.2.2: the most specific match decides, counted in octets.
  def test_section_2_2_2_the_longest_match
    text = "User-agent: foobot\nAllow: /example/page/\nDisallow: /example/page/disallowed.gif\n"

    refute allowed?(text, "foobot", "https://www.example.com/example/page/disallowed.gif")
    assert allowed?(text, "foobot", "https://www.example.com/example/page/")
  end

  # Section 2.2.2, the table of percent-encoding: each path matches each spelling of itself.
  PATHS = [
    %w[/foo/bar?baz=quz /foo/bar?baz=quz],
    %w[/foo/bar?baz=https://foo.bar /foo/bar?baz=https%3A%2F%2Ffoo.bar],
    ["/foo/bar/\u30C4", "/foo/bar/%E3%83%84"],
    %w[/foo/bar/%E3%83%84 /foo/bar/%E3%83%84],
    %w[/foo/bar/%62%61%7A /foo/bar/baz]
  ].freeze

  def test_section_2_2_2_percent_encoding
    # The third line of the table is written there as U+E38384, which means the octets E3 83 84 of the character U+30C4.
    PATHS
      .values_at(0, 2, 3, 4)
      .each do |path, encoded|
        refute allowed?("User-agent: *\nDisallow: #{path}\n", "x", "https://a.test#{encoded}"), path
      end
  end

  # The second line encodes ":" and "/" in the URL's query, which are reserved: section 2.2.2 compares octets after only
  # unreserved characters are decoded, so these two differ, and the RFC gives the row as a way of writing the rule.
  def test_section_2_2_2_reserved_characters_stay_as_they_are
    assert allowed?("User-agent: *\nDisallow: #{PATHS[1][0]}\n", "x", "https://a.test#{PATHS[1][1]}")
  end

  # Section 2.2.3: special characters.
  def test_section_2_2_3_special_characters
    refute allowed?("User-agent: *\nDisallow: / # comment in line\n", "x", "https://a.test/a")
    text = "User-agent: *\nAllow: /this/path/exactly$\nDisallow: /this\n"
    assert allowed?(text, "x", "https://a.test/this/path/exactly")
    refute allowed?(text, "x", "https://a.test/this/path/exactly/not")
    refute allowed?("User-agent: *\nDisallow: /path/foo-%24\n", "x", "https://a.test/path/foo-%24")
    # The table: a star or a dollar sign of the address itself, as it is and encoded.
    [
      %w[/path/file-with-a-%2A.html /path/file-with-a-*.html],
      %w[/path/foo-%24 /path/foo-$],
      %w[/path/foo-%24 /path/foo-%24]
    ].each { |rule, path| refute allowed?("User-agent: *\nDisallow: #{rule}\n", "x", "https://a.test#{path}"), rule }
    assert allowed?(
      "User-agent: *\nDisallow: /path/file-with-a-%2A.html\n",
      "x",
      "https://a.test/path/file-with-a-x.html"
    )
    assert allowed?(
      "User-agent: *\nDisallow: /path/file-with-a-%2A.html\n",
      "x",
      "https://a.test/path/file-with-a-xyz.html"
    )
  end

  # Section 5.1: a simple example.
  SIMPLE_EXAMPLE = <<~ROBOTS
    User-Agent: *
    Disallow: *.gif$
    Disallow: /example/
    Allow: /publications/

    User-Agent: foobot
    Disallow:/
    Allow:/example/page.html
    Allow:/example/allowed.gif

    User-Agent: barbot
    User-Agent: bazbot
    Disallow: /example/page.html

    User-Agent: quxbot
  ROBOTS

  def test_section_5_1_has_no_line_that_is_not_read
    assert_empty IronTrellis::Core::Robots::Syntax.flaws(SIMPLE_EXAMPLE)
  end

  def test_section_5_1
    text = SIMPLE_EXAMPLE

    refute allowed?(text, "otherbot", "https://a.test/x/y.gif")
    assert allowed?(text, "otherbot", "https://a.test/publications/")
    assert allowed?(text, "foobot", "https://a.test/example/page.html")
    refute allowed?(text, "foobot", "https://a.test/publications/")
    refute allowed?(text, "barbot", "https://a.test/example/page.html")
    assert allowed?(text, "bazbot", "https://a.test/example/other.html")
    assert allowed?(text, "quxbot", "https://a.test/example/page.html")
  end

  # Section 5.2: longest match, "example.gif" disallowed although its folder is allowed.
  def test_section_5_2
    text = "User-Agent: foobot\nAllow: /example/page/\nDisallow: /example/page/disallowed.gif\n"

    refute allowed?(text, "foobot", "https://www.example.com/example/page/disallowed.gif")
  end
end

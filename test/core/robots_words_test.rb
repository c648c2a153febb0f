# frozen_string_literal: true

require_relative "../test_helper"

# What each line of a robots.txt means, which lines no crawler reads, and how a draft differs.
class RobotsWordsTest < Minitest::Test
  Robots = IronTrellis::Core::Robots

  def flaws(text) = Robots::Syntax.flaws(text).map { |flaw| [flaw.line, flaw.why] }

  # Source: RFC 9309 section 2.2, the grammar.
  def test_lines_that_no_crawler_reads_say_why
    assert_equal [
      [1, "it stands before any User-agent line"],
      [2, "no agent is named"],
      [4, "a path begins with a slash"],
      [5, "no crawler knows the word “noindex”"],
      [6, "a line needs a colon after its first word"],
      [7, "a sitemap is named by its whole address"]
    ], flaws(<<~TEXT)
      Disallow: /a
      User-agent:
      User-agent: *
      Disallow: lamps
      Noindex: /b
      Disallow /c
      Sitemap: /sitemap.xml
      Crawl-delay: 2 # read by some
      # a comment: with a colon
      Allow: *.pdf$
      Disallow:
    TEXT
  end

  def test_a_page_in_place_of_the_file_is_one_flaw
    assert_equal [[1, "it is an HTML page, no robots.txt"]], flaws("\uFEFF\n <!DOCTYPE html><p>User agent: *</p>")
  end

  def test_lines_end_in_every_way_and_have_an_end
    assert_equal [[2, "no crawler knows the word “x”"], [3, "no crawler knows the word “y”"]],
      flaws("User-agent: *\rx: 1\r\ny: 2\n")
    assert_equal Robots::Syntax::MOST, flaws("x: 1\n" * 1500).size
  end

  def test_each_line_is_said_in_words
    {
      "User-agent: *" => "For every crawler that isn't named elsewhere:",
      "user-AGENT : lampbot # ours" => "For the crawler lampbot:",
      "Disallow:" => "All may be fetched.",
      "Disallow: /" => "Not to be fetched: everything",
      "Disallow: /cart/" => "Not to be fetched: what begins with /cart/",
      "Allow: /*.pdf$" => "May be fetched even so: just what ends so: / anything .pdf",
      "Sitemap: http://a.test/s.xml" => "A sitemap, for every crawler: http://a.test/s.xml",
      "# only a comment" => nil,
      "" => nil
    }.each do |line, meaning|
      told = Robots::Meaning.of("User-agent: *\n#{line}").last
      assert_equal [2, line, [meaning], nil], [told.number, told.text, [told.meaning], told.flaw], line
    end
    odd = Robots::Meaning.of("User-agent: *\nDisallow: x").last
    assert_equal [nil, "a path begins with a slash"], [odd.meaning, odd.flaw]
  end

  def difference(before, after) = Robots::Difference.of(before, after).map { |line| [line.change[0], line.text] }

  def test_a_draft_differs_line_by_line
    assert_equal [["s", "User-agent: *"], ["r", "Disallow: /a"], ["a", "Disallow: /b"], ["s", "Allow: /c"], ["a", "#"]],
      difference("User-agent: *\nDisallow: /a\nAllow: /c\n", "\uFEFFUser-agent: *\r\nDisallow: /b\r\nAllow: /c\r\n#")
    assert_empty difference("", "")
    assert_equal [["a", "x"]], difference("", "x\n")
  end

  def test_both_files_come_back_from_their_difference
    before, after = Array.new(2) { |seed| Random.new(seed).then { |chance| Array.new(40) { chance.rand(6).to_s } } }
    lines = Robots::Difference.of(before.join("\n"), after.join("\n"))
    assert_equal before, lines.reject { |line| line.change == "added" }.map(&:text)
    assert_equal after, lines.reject { |line| line.change == "removed" }.map(&:text)
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# A robots.txt that is mended opens what it shall, and nothing else.
class RobotsRepairTest < Minitest::Test
  Robots = IronTrellis::Core::Robots
  Url = IronTrellis::Core::Url::NormalForm
  FILE = "# ours\nUser-agent: *\nDisallow: /shop/\nDisallow: /a*.css\nGarbage\n\nUser-agent: Other\nDisallow: /\n"

  def test_addresses_are_let_through_beside_a_line_that_blocks_others_too
    text = mended("/shop/lamp", "/a1.css", blocked: {3 => 5, 4 => 2})
    assert allowed?(text, "/shop/lamp")
    assert allowed?(text, "/a1.css")
    refute allowed?(text, "/shop/other")
    refute allowed?(text, "/ab.css")
    assert_equal FILE.lines - ["Garbage\n"], text.lines & FILE.lines - ["Garbage\n"], "the rest stays"
  end

  def test_a_line_that_blocks_nothing_else_goes
    text = mended("/shop/lamp", blocked: {3 => 1})
    refute_match(%r{/shop/}, text)
    assert_match(/a\*\.css/, text)
  end

  def test_behind_one_line_another_is_met
    both = "User-agent: *\nDisallow: /shop/\nDisallow: /s\n"
    text = repaired(both)
    assert allowed?(text, "/shop/lamp")
    refute allowed?(text, "/sale")
  end

  def test_a_group_keeps_a_rule
    only = "User-agent: *\nDisallow: /shop/\n\nUser-agent: Other\nDisallow: /\n"
    text = repaired(only)
    assert allowed?(text, "/shop/lamp")
    refute allowed?(text, "/shop/lamp", agent: "Other")
  end

  def test_lines_that_nobody_reads_go_and_a_sitemap_is_named
    faults = [fault("robots-syntax", "/robots.txt", "5"), fault("robots-no-sitemap", "/robots.txt")]
    text = Robots::RobotsRepair.new(FILE, "IronTrellis").call(faults, ["http://a.test/sitemap.xml"])
    assert_empty Robots::Syntax.flaws(text)
    assert_equal ["http://a.test/sitemap.xml"], Robots::Ruleset.new(text).sitemaps
  end

  def test_where_none_is_there_it_shuts_nothing
    text = Robots::RobotsRepair.new("", "IronTrellis").call([fault("robots-unreadable", "/robots.txt")], [])
    assert_equal "User-agent: *\nDisallow:\n", text
    assert allowed?(text, "/anything")
  end

  # Source: the unified format as POSIX diff -u writes it; `git apply` reads it.
  def test_its_difference_is_one_that_git_applies
    [[FILE, mended("/shop/lamp", blocked: {3 => 1})], ["", "User-agent: *\n"], far_apart].each do |old, new|
      Dir.mktmpdir do |folder|
        File.write(File.join(folder, "robots.txt"), old)
        File.write(File.join(folder, "robots.diff"), Robots::RobotsRepair.difference(old, new))
        assert system("git", "apply", "-p0", "--unidiff-zero", "robots.diff", chdir: folder), [old, new].inspect
        assert_equal new, File.read(File.join(folder, "robots.txt"))
      end
    end
    assert_equal "", Robots::RobotsRepair.difference(FILE, FILE)
  end

  private

  def far_apart
    lines = (1..40).map { |number| "Disallow: /#{number}\n" }
    [lines.join, lines.each_with_index.reject { |_, place| [2, 5, 30].include?(place) }.map(&:first).join]
  end

  def mended(*paths, blocked:) =
    Robots::RobotsRepair.new(FILE, "IronTrellis", blocked: blocked).call(
      [*paths.map { |path| fault("blocked-wanted", path) }, fault("robots-syntax", "/robots.txt", "5")],
      []
    )

  def repaired(file) =
    Robots::RobotsRepair.new(file, "IronTrellis", blocked: {2 => 1}).call([fault("blocked-wanted", "/shop/lamp")], [])

  def fault(code, path, about = nil) = {"code" => code, "url" => "http://a.test#{path}", "about" => about}

  def allowed?(text, path, agent: "IronTrellis") =
    Robots::Policy.from_answer(status: 200, text: text, agent: agent).decide(Url.parse("http://a.test#{path}")).allowed?
end

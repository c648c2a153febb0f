# frozen_string_literal: true

require_relative "../test_helper"

# What ought to be in place of what is wrong.
class RemediesTest < Minitest::Test
  Core = IronTrellis::Core
  A = "http://a.test"
  Row = Core::Faults::Subject

  def test_a_lost_address_leads_where_it_was_decided_else_to_a_good_suggestion_else_nowhere
    assert_equal ["#{A}/new", 308, false], target("/decided")
    assert_equal ["#{A}/like", 301, true], target("/likely")
    assert_equal [nil, 410, true], target("/unlikely"), "59 points are too few"
    assert_equal [nil, 410, true], target("/unknown")
  end

  def test_a_redirect_leads_to_its_good_end_in_one_hop
    assert_equal ["#{A}/end", 301, false], rule("redirect-chain", "/chain")
    assert_equal ["#{A}/end", 301, false], rule("redirect-temporary", "/chain")
    assert_equal [nil, 410, true], rule("redirect-loop", "/loop")
  end

  def test_what_is_gone_asks_for_a_rule_only_where_one_was_accepted
    assert_nil rule("gone-linked", "/unknown")
    assert_equal ["#{A}/new", 308, false], rule("gone-linked", "/decided")
    assert_nil rule("index-stale", "/chain"), "it leads on well; the index has to look"
    assert_equal ["#{A}/like", 301, true], rule("index-stale", "/likely")
  end

  # plan.md's order: the page that stands for a copy, then the final or repaired address, then itself.
  def test_canonicals
    assert_equal "#{A}/chosen", canonical("/picked", %w[canonical-missing])
    assert_equal "#{A}/p", canonical("/p", %w[canonical-missing])
    assert_equal "#{A}/p", canonical("/p", ["canonical-to-missing", "#{A}/x"])
    assert_equal "#{A}/end", canonical("/p", ["canonical-to-redirect", "#{A}/chain"])
    assert_equal "#{A}/last", canonical("/p", ["canonical-chain", "#{A}/first"])
    assert_equal "#{A}/q", canonical("/p", ["canonical-malformed", "/q#part"])
    assert_equal "#{A}/p", canonical("/p", ["canonical-malformed", ""])
    assert_equal "#{A}/main", canonical("/p", ["canonical-malformed", "/q"], ["copy-exact", "#{A}/main"])
    assert_equal "#{A}/p", canonical("/p", ["canonical-malformed", "/q"], ["canonical-to-missing", "#{A}/q"])
  end

  def test_links
    assert_equal "#{A}/end", link("link-to-redirect", "/chain")
    assert_equal "#{A}/like", link("link-to-missing", "/likely")
    assert_nil link("link-to-missing", "/unknown")
    assert_nil link("outbound-missing", "/unknown")
  end

  # A page without a canonical, which is told as a copy elsewhere: both fixes name the same.
  def test_a_page_has_one_wanted_canonical_whatever_fix_asks
    assert_equal "#{A}/main", canonical("/twin", ["canonical-missing", nil])
    assert_equal "#{A}/main", canonical("/twin")
    assert_equal "#{A}/single", canonical("/single", ["canonical-missing", nil])
  end

  private

  def remedies
    rows = {
      "#{A}/chain" => Row.new(url: "#{A}/chain", final_url: "#{A}/end", final_status: 200, redirect_to: "#{A}/mid"),
      "#{A}/loop" => Row.new(url: "#{A}/loop"),
      "#{A}/first" => Row.new(url: "#{A}/first", canonical: "#{A}/last", final_url: "#{A}/first", final_status: 200),
      "#{A}/last" => Row.new(url: "#{A}/last", canonical: "#{A}/last")
    }
    suggestions = {"#{A}/likely" => [60, "#{A}/like"], "#{A}/unlikely" => [59, "#{A}/like"]}
    Core::Workplan::Remedies.new(
      rows: rows,
      routes:
        Core::Redirects::Table.new(
          [
            Core::Redirects::Route.new(
              from: "#{A}/decided",
              to: "#{A}/new",
              status: 308,
              kind: "exact",
              query: "match"
            )
          ]
        ),
      suggestions: ->(url) do
        [suggestions[url]&.then { |score, to| Core::Redirects::Suggestion.new(score: score, target: to) }].compact
      end,
      told: {
        "#{A}/twin" => [{"code" => "copy-exact", "url" => "#{A}/twin", "about" => "#{A}/main"}]
      },
      canonicals: Core::Canonicals::Choices.new("#{A}/picked" => {"target" => "#{A}/chosen"})
    )
  end

  def target(path) = remedies.target("#{A}#{path}").to_a

  def rule(code, path) = remedies.rule({"code" => code, "url" => "#{A}#{path}"})&.to_a

  def canonical(path, *faults) =
    remedies.canonical("#{A}#{path}", faults.map { |code, about| {"code" => code, "about" => about} })

  def link(code, path) = remedies.link({"code" => code, "url" => A, "about" => "#{A}#{path}"})
end

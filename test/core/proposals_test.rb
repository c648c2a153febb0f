# frozen_string_literal: true

require_relative "../test_helper"

class ProposalsTest < Minitest::Test
  def of(*urls) = IronTrellis::Core::Groups::Proposals.of(urls, "a.test").map { |one| [one.name, one.pattern, one.pages] }

  def urls(*paths) = paths.map { |path| "http://a.test#{path}" }

  def test_by_products_stand_before_folders_and_inner_folders_before_those_that_hold_them
    lists = urls("/log/?page=2", "/log/?page=3", "/log/page/4")
    lamps = urls(*(1..4).map { |number| "/lamps/masthead/#{number}" }, *(1..3).map { |number| "/lamps/#{number}" })
    danish = (1..3).map { |number| "http://b.test/lys/#{number}" }

    assert_equal [["Paged lists", 3], ["/lamps/masthead/", 4], ["/lamps/", 3], ["b.test/lys/", 3]], of(*lists, *lamps, *danish, "http://a.test/").map { |name, _, pages| [name, pages] }
    assert_equal ["/lamps/masthead/*", "/lamps/*", "http://b.test/lys/*"], of(*lamps, *danish).map { |_, pattern, _| pattern }
  end

  def test_what_is_rare_is_not_proposed
    assert_empty of(*urls("/feed", "/rss", "/a/1", "/a/2"))
  end

  def test_archives_by_date_are_years_and_months_but_no_days
    names = of(*urls("/2025/", "/2025/01/", "/2025/12", "/2025/01/15", "/2025/01/16"))
    assert_equal [["Archives by date", 3]], names.map { |name, _, pages| [name, pages] }
  end
end

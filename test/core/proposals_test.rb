# frozen_string_literal: true

require_relative "../test_helper"

class ProposalsTest < Minitest::Test
  def of(*urls) =
    IronTrellis::Core::Groups::Proposals.of(urls, "a.test").map { |one| [one.name, one.pattern, one.pages] }

  def urls(*paths) = paths.map { |path| "http://a.test#{path}" }

  def test_by_products_stand_before_folders_and_inner_folders_before_those_that_hold_them
    lists = urls("/log/?page=2", "/log/?page=3", "/log/page/4")
    lamps = urls(*(1..4).map { |number| "/lamps/masthead/#{number}" }, *(1..3).map { |number| "/lamps/#{number}" })
    danish = (1..3).map { |number| "http://b.test/lys/#{number}" }

    assert_equal [["Paged lists", 3], ["/lamps/masthead/", 4], ["/lamps/", 3], ["b.test/lys/", 3]],
      of(*lists, *lamps, *danish, "http://a.test/").map { |name, _, pages| [name, pages] }
    assert_equal %w[/lamps/masthead/* /lamps/* http://b.test/lys/*], of(*lamps, *danish).map { |_, pattern, _| pattern }
  end

  def test_what_is_rare_is_not_proposed
    assert_empty of(*urls("/feed", "/rss", "/a/1", "/a/2"))
  end

  def test_archives_by_date_are_years_and_months_but_no_days
    names = of(*urls("/2025/", "/2025/01/", "/2025/12", "/2025/01/15", "/2025/01/16"))
    assert_equal [["Archives by date", 3]], names.map { |name, _, pages| [name, pages] }
  end

  def test_what_a_template_shows_across_folders_is_proposed_before_the_folders
    menu = "The whole house"
    places = %w[oslo bergen voss]
    pages =
      places.flat_map do |place|
        [["/#{place}/", []], ["/#{place}/opening-hours", ["Open on holidays"]], ["/#{place}/staff", ["Who works here"]]]
      end
    blocks = pages.to_h { |path, own| ["http://a.test#{path}", [menu, *own, "Only of #{path}"]] }
    proposals = IronTrellis::Core::Groups::Proposals.of(blocks.keys, "a.test", blocks: blocks)

    assert_equal [["With “Open on holidays”", 3], ["With “Who works here”", 3]],
      proposals.map { |one| [one.name, one.pages] }
    assert_equal "//opening\\-hours/?$/", proposals.first.pattern
  end

  def test_a_template_whose_addresses_have_nothing_in_common_is_left_alone
    blocks = {
      "http://a.test/x/one" => ["Same"],
      "http://a.test/y/two" => ["Same"],
      "http://a.test/z/three" => ["Same"],
      "http://a.test/" => [],
      "http://a.test/w/four" => []
    }
    assert_empty IronTrellis::Core::Groups::Proposals.of(blocks.keys, "a.test", blocks: blocks)
  end

  def test_a_template_of_numbered_pages_or_of_an_inner_folder
    blocks = (1..4).to_h { |number| ["http://a.test/s#{number}/item-#{number}", ["Weight and size"]] }
      .merge((1..4).to_h { |number| ["http://a.test/t#{number}/letters/from-#{"abcd"[number - 1]}", ["Write back"]] })
    assert_equal ["*/letters/*", "//item\\-[0-9]+/?$/"],
      IronTrellis::Core::Groups::Proposals.of(blocks.keys, "a.test", blocks: blocks).map(&:pattern).sort
  end
end

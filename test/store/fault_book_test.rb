# frozen_string_literal: true

require_relative "../test_helper"

class FaultBookTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Store = IronTrellis::Store
  Fault = IronTrellis::Core::Faults::Fault

  # Four pages in one group, one of them with no importance, and one page in another.
  PAGES = [["/a/", 10.0, true], ["/a/", 20.0, false], ["/a/", 30.0, false], ["/a/", nil, false], ["/b/", 40.0, true]].freeze

  def setup
    super
    @run = Store::VerdictRun.begin(plain_crawl, rules_digest: "x", now: Time.now)
    writer = Store::VerdictWriter.new(@run)
    writer.stage_rows(PAGES.each_with_index.map { |(group, importance, wanted), number| row(number, group, importance, wanted) })
    writer.staged
    writer.faults(told("thin", 0, 1, 2) + told("thin", 2) + told("title-long", 4) + told("canonical-to-missing", 3) + told("copy-near", 0) + told("title-equals-h1", 0, 1, 2, 4))
    writer.finish(Time.now) { {} }
  end

  def row(number, group, importance, wanted)
    {"url_id" => number, "url" => "http://store.test/#{number}", "kind" => "html", "found_by" => [], "redirect_chain" => [], "in_sitemaps" => [], "links_in" => 0, "group" => group, "intent" => "undecided",
     "wanted" => wanted, "indexable" => true, "soft_missing" => false, "climb" => [], "importance" => importance}
  end

  def told(code, *numbers)
    grade = IronTrellis::Core::Faults::Registry.fetch(code).grade
    numbers.map { |number| [Fault.new(code: code, grade: grade, url: "http://store.test/#{number}", about: nil, detail: {}), number, rand(1 << 40)] }
  end

  def book = Store::FaultBook.new(@run)

  def test_rules_come_by_grade_and_weight_with_what_they_concern_and_notes_weigh_nothing
    rules = book.call

    assert_equal [["canonical-to-missing", 25.0], ["copy-near", 6.0], ["thin", 12.0], ["title-long", 8.0], ["title-equals-h1", 0.0]], rules.map { |rule| rule.values_at(:code, :weight) }
    assert_equal [3, 4, 1], rules[2].values_at(:urls, :times, :wanted)
  end

  def test_what_most_pages_of_a_group_have_comes_from_their_template
    groups = book.call.to_h { |rule| [rule[:code], rule[:groups]] }

    assert_equal [{group: "/a/", urls: 3, pages: 4, template: true}], groups["thin"]
    assert_equal [{group: "/b/", urls: 1, pages: 1, template: false}], groups["title-long"], "one page is no template"
    assert_equal [false], groups["canonical-to-missing"].map { |group| group[:template] }
  end

  def test_places_come_by_importance
    assert_equal [[30.0, 30.0, 20.0, 10.0], 4], book.occurrences("thin").then { |places| [places[:rows].map { |row| row["importance"] }, places[:total]] }
    assert_equal({rows: [], total: 0}, book.occurrences("orphan"))
    assert_raises(IronTrellis::Core::Error::NotFound) { book.occurrences("no-such-rule") }
  end

  def test_a_common_fault_is_looked_for_among_the_pages_that_matter_most_and_found_the_same
    rare = book.occurrences("thin")
    IronTrellis::Store::Sql.run("UPDATE fault_rollups SET urls = urls + #{IronTrellis::Store::FaultBook::COMMON}")
    assert_equal rare, book.occurrences("thin")
    refute_empty rare[:rows]
  end
end

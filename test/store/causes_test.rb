# frozen_string_literal: true

require_relative "../test_helper"

class CausesTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Store = IronTrellis::Store
  Fault = IronTrellis::Core::Faults::Fault

  # Four pages in one group, one of them with no importance, and one page in another.
  PAGES = [
    ["/a/", 10.0, true],
    ["/a/", 20.0, false],
    ["/a/", 30.0, false],
    ["/a/", nil, false],
    ["/b/", 40.0, true]
  ].freeze

  def setup
    super
    @run = Store::Judging::VerdictRun.begin(plain_crawl, rules_digest: "x", now: Time.now)
    writer = Store::Judging::VerdictWriter.new(@run)
    writer.stage_rows(
      PAGES.each_with_index.map { |(group, importance, wanted), number| row(number, group, importance, wanted) }
    )
    writer.staged
    writer.faults(
      told("thin", 0, 1, 2) + told("thin", 2) + told("title-long", 4) + told("canonical-to-missing", 3) +
        told("copy-near", 0) + told("title-equals-h1", 0, 1, 2, 4) + dead_links
    )
    writer.finish(Time.now) { {} }
  end

  def row(number, group, importance, wanted)
    IronTrellis::Core::Ledger::Registry.staged.to_h { |name| [name, nil] }.merge(
      "url_id" => number,
      "url" => "http://store.test/#{number}",
      "kind" => "html",
      "found_by" => [],
      "redirect_chain" => [],
      "in_sitemaps" => [],
      "links_in" => 0,
      "group" => group,
      "intent" => "undecided",
      "wanted" => wanted,
      "indexable" => true,
      "soft_missing" => false,
      "dropped" => false,
      "climb" => [],
      "importance" => importance
    )
  end

  def told(code, *numbers)
    grade = IronTrellis::Core::Faults::Registry.fetch(code).grade
    numbers.map do |number|
      [
        Fault.new(code: code, grade: grade, url: "http://store.test/#{number}", about: nil, detail: {}),
        number,
        rand(1 << 40)
      ]
    end
  end

  def dead_links
    links = [{text: "To the lamps", place: "main"}, {text: nil, place: "footer"}]
    told("link-to-missing", 0, 1, 2).each_with_index do |(fault, *), number|
      fault.about, fault.detail =
        (
          if number == 1
            ["http://store.test/old", {status: 404, links: [{text: "Old", place: "nav"}]}]
          else
            ["http://store.test/gone", {status: 404, links: links}]
          end
        )
    end
  end

  def book = Store::Reports::Causes.new(@run)

  def places(code, **narrowed) = Store::Reports::FaultPlaces.new(@run, code, narrowed)

  def test_rules_come_by_grade_and_weight_with_what_they_concern_and_notes_weigh_nothing
    rules = book.call

    assert_equal [
      ["canonical-to-missing", 25.0],
      ["copy-near", 6.0],
      ["link-to-missing", 12.0],
      ["thin", 12.0],
      ["title-long", 8.0],
      ["title-equals-h1", 0.0]
    ],
      rules.map { |rule| rule.values_at(:code, :weight) }
    assert_equal [3, 4, 1], rules[3].values_at(:urls, :times, :wanted)
  end

  def test_what_most_pages_of_a_group_have_comes_from_their_template
    groups = book.call.to_h { |rule| [rule[:code], rule[:groups]] }

    assert_equal [{group: "/a/", urls: 3, pages: 4, template: true}], groups["thin"]
    assert_equal [{group: "/b/", urls: 1, pages: 1, template: false}], groups["title-long"], "one page is no template"
    assert_equal [false], groups["canonical-to-missing"].map { |group| group[:template] }
  end

  def test_places_come_by_importance
    assert_equal [[30.0, 30.0, 20.0, 10.0], 4],
      places("thin").occurrences.then { |found|
        [found[:rows].map { |row| row["importance"] }, found[:total]]
      }
    assert_equal({rows: [], total: 0, urls: 0}, places("orphan").occurrences)
    assert_equal [20.0, 10.0], places("thin").occurrences(from: 2)[:rows].map { |row| row["importance"] }
    assert_raises(IronTrellis::Core::Error::NotFound) { places("no-such-rule") }
  end

  def test_a_common_fault_is_looked_for_among_the_pages_that_matter_most_and_found_the_same
    rare = places("thin").occurrences
    IronTrellis::Store::Postgres::Sql.run(
      "UPDATE fault_rollups SET urls = urls + #{IronTrellis::Store::Reports::FaultPlaces::COMMON} WHERE run_id = $1",
      [@run.id]
    )
    assert_equal rare[:rows], places("thin").occurrences[:rows]
    refute_empty rare[:rows]
  end

  def test_causes_are_narrowed_to_a_group_and_to_a_host_and_weighed_within_it
    narrowed = Store::Reports::Causes.new(@run, group: "/b/")

    assert_equal [["title-long", 1], ["title-equals-h1", 1]], narrowed.call.map { |rule| rule.values_at(:code, :urls) }
    assert_equal({groups: %w[/a/ /b/], hosts: %w[store.test]}, narrowed.places)
    assert_empty Store::Reports::Causes.new(@run, host: "other.test").call
  end

  def test_what_lies_on_no_host_makes_no_host_to_choose
    Store::Postgres::Sql.run("UPDATE fault_rollups SET host = '' WHERE run_id = $1 AND code = 'title-long'", [@run.id])

    assert_equal %w[store.test], Store::Reports::Causes.new(@run).places[:hosts]
  end

  def test_occurrences_tell_their_details_and_are_narrowed_gathered_and_written_as_a_table
    found = places("link-to-missing")

    assert_equal [
      ["Link leads to", "http://store.test/gone"],
      ["Anchor text", ["To the lamps", "(no text)"]],
      ["Place", ["main text", "footer"]],
      ["Times", 2],
      ["Status", 404]
    ],
      found.occurrences[:rows].first["details"].map { |detail| detail.values_at(:name, :value) }
    assert_equal [
      ["http://store.test/gone", 2, "http://store.test/2"],
      ["http://store.test/old", 1, "http://store.test/1"]
    ],
      found.gathered[:rows].map { |row| row.values_at("same", "urls", "url") }
    assert_equal "Link leads to", found.gathered[:name]
    assert_equal ["http://store.test/1"],
      places("link-to-missing", same: "http://store.test/old").occurrences[:rows].map { |row| row["url"] }
    assert_equal %w[http://store.test/2 http://store.test/0],
      places("link-to-missing", text: "lamps").occurrences[:rows].map { |row| row["url"] }
    assert_equal [
      ["http://store.test/2", "Link to a missing page", "http://store.test/gone"],
      ["http://store.test/1", "Link to a missing page", "http://store.test/old"],
      ["http://store.test/0", "Link to a missing page", "http://store.test/gone"]
    ],
      found.map { |row| found.columns.zip(row).to_h.values_at("url", "title", "Link leads to") }
    assert_raises(IronTrellis::Core::Error::InvalidInput) { places("thin").gathered }
  end
end

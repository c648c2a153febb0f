# frozen_string_literal: true

require_relative "../test_helper"

# Each rule on evidence alone: a page on which it speaks, and pages close to it on which it is silent. That evidence
# shows such things is common practice; the days and shares are the site's thresholds.
class EvidenceRulesTest < Minitest::Test
  Faults = IronTrellis::Core::Faults
  Standing = IronTrellis::Core::Evidence::Standing
  THRESHOLDS = IronTrellis::Core::Settings::Thresholds.default
  TODAY = Date.new(2027, 3, 1)
  BASIS = IronTrellis::Core::Evidence::Basis.new(covers_short: true, covers_middle: true, today: TODAY)

  SEEN = {
    url: "http://a.test/x",
    kind: "html",
    status: 200,
    canonical: "http://a.test/x",
    wanted: true,
    passes: true,
    standing: Standing::IN_INDEX,
    standing_date: TODAY,
    words: 400,
    links_in: 3,
    short_impressions: 900,
    queries: [],
    dropped: false
  }.freeze

  def self.query(**given) =
    [{query: "brass lamp", impressions: 400, position: 4.0, missing: []}.merge(given).transform_keys(&:to_s)]

  # By rule: what of a page that all is well with must be otherwise for it to speak, then changes of that under which it
  # is silent.
  CASES = {
    "dropped" => [
      {dropped: true, standing: "left_out", last_in_index: Date.new(2027, 1, 4), long_clicks: 12},
      {dropped: false}, {wanted: false}
    ],
    "goal-page-open" => [
      {goals: ["thank-you"], standing: "left_out"}, {passes: false}, {goals: nil}, {goals: []}
    ],
    "hide-running-out" => [
      {hide_ends: TODAY + THRESHOLDS.hide_days}, {hide_ends: TODAY + THRESHOLDS.hide_days + 1}, {hide_ends: nil}
    ],
    "index-stale" => [
      {status: 404}, {standing: "left_out"}, {status: 200}, {live: {"status" => 200, "noindex" => false}}
    ],
    "kept-elsewhere" => [
      {standing: "kept_elsewhere", chosen_canonical_by_index: "http://a.test/y"}, {canonical: "http://a.test/y"},
      {status: 301}, {wanted: false}
    ],
    "near-win" => [
      {queries: query(position: 9.0)}, {queries: query(position: THRESHOLDS.near_win_last + 0.1)},
      {queries: query(position: THRESHOLDS.near_win_first - 0.1)},
      {queries: query(position: 9.0, impressions: THRESHOLDS.query_impressions - 1)},
      {queries: query(position: nil)}, {queries: nil}, {wanted: false}
    ],
    "passed-over" => [
      {standing: "passed_over", standing_reason: "thin"}, {passes: false}, {wanted: false}, {standing: "waiting"}
    ],
    "phrase-absent" => [
      {queries: query(missing: %w[brass])}, {queries: query(missing: [])},
      {queries: query(missing: %w[brass], impressions: THRESHOLDS.query_impressions - 1)}, {wanted: false}
    ],
    "waiting" => [
      {standing: "waiting", standing_since: TODAY - THRESHOLDS.waiting_days},
      {standing_since: TODAY - THRESHOLDS.waiting_days + 1}, {standing_since: nil}, {passes: false}, {wanted: false}
    ],
    "wanted-unseen" => [
      {short_impressions: 0}, {short_impressions: 1}, {standing: "left_out"}, {wanted: false}
    ]
  }.freeze

  def told(code, changes, basis: BASIS) =
    Faults::Registry.fetch(code).new(THRESHOLDS).call(Faults::Subject.new(**SEEN, **changes), basis)

  def test_every_rule_on_evidence_is_tried
    assert_equal Faults::EvidenceRule.all.map(&:code).sort, CASES.keys.sort
  end

  CASES.each do |code, (speaks, *silent)|
    name = code.tr("-", "_")

    define_method("test_#{name}_speaks") do
      assert_equal [[code, "http://a.test/x"]], told(code, speaks).map { |fault| [fault.code, fault.url] }
      assert_empty told(code, {}), "on a page that all is well with"
    end

    silent.each_with_index do |change, place|
      define_method("test_#{name}_is_silent_#{place + 1}") { assert_empty told(code, {**speaks, **change}), change }
    end
  end

  def test_pages_that_were_never_shown_are_told_only_where_the_record_covers_the_time
    assert_empty told("wanted-unseen", {short_impressions: 0}, basis: BASIS.dup.tap { |one| one.covers_short = false })
    assert_equal 1, told("wanted-unseen", {short_impressions: nil}).size
  end

  def test_each_query_is_a_fault_of_its_own
    both = EvidenceRulesTest.query(position: 9.0) + EvidenceRulesTest.query(query: "anchor light", position: 20.0)
    assert_equal ["brass lamp", "anchor light"], told("near-win", {queries: both}).map(&:about)
  end

  def test_what_is_said_of_it_goes_with_the_fault
    assert_equal({reason: "thin", words: 400, links_in: 3},
      told("passed-over", {standing: "passed_over", standing_reason: "thin"}).first.detail)
    assert_equal({last_in_index: "2027-01-04", clicks: 0},
      told("dropped", {dropped: true, last_in_index: Date.new(2027, 1, 4)}).first.detail)
    assert_equal "http://a.test/y",
      told("kept-elsewhere", {standing: "kept_elsewhere", chosen_canonical_by_index: "http://a.test/y"}).first.about
  end

  # What the index keeps is held against the newest that is known of the page: a later fetch, else the crawl.
  def test_what_the_index_still_has_is_told_with_what_is_there_now
    {
      {status: 410} => "status 410",
      {status: 301, redirect_to: "http://a.test/y"} => "status 301",
      {noindex: true} => "noindex",
      {robots_allowed: false, status: nil} => "blocked by robots.txt",
      {redirect_to: "http://a.test/y"} => "a redirect by refresh",
      {live: {"status" => 404, "noindex" => false}} => "status 404",
      {status: nil, live: {"status" => 200, "noindex" => true}} => "noindex"
    }.each do |change, seen|
      assert_equal [seen], told("index-stale", change).map { |fault| fault.detail[:crawl] }, change
    end
    assert_empty told("index-stale", {status: 500}), "a failing page may be there again tomorrow"
  end

  def test_what_the_index_holds_wrongly_is_told_of_pages_to_be_kept_out_as_well
    told_always = Faults::EvidenceRule.all.select(&:lets_climb?).map(&:code)
    assert_equal %w[goal-page-open hide-running-out index-stale], told_always.sort
  end

  def test_a_group_fills_the_index_with_what_is_of_no_use
    rule = Faults::Registry.fetch("bloat").new(THRESHOLDS)
    group = ->(in_index, useless) do
      Faults::GroupRule::Group.new(name: "/tags/", in_index: in_index, useless: useless)
    end
    least = THRESHOLDS.bloat_pages
    found = rule.check(group.call(least, least), BASIS)
    assert_equal ["/tags/", {in_index: least, useless: least}], [found.about, found.detail]
    assert_nil rule.check(group.call(least, least - 1), BASIS), "too few"
    assert_nil rule.check(group.call((least / THRESHOLDS.bloat_share).ceil, least), BASIS), "too small a share"
    short = BASIS.dup.tap { |one| one.covers_middle = false }
    assert_nil rule.check(group.call(least, least), short), "the record is too short"
  end
end

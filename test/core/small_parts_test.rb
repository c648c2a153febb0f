# frozen_string_literal: true

require_relative "../test_helper"
require "tsort"

# Small parts of the core, against plain ways to work out the same, on things made up by chance with a fixed seed.
class SmallPartsTest < Minitest::Test
  Core = IronTrellis::Core

  # Shortest ways by relaxing every edge until nothing gets shorter (Bellman and Ford): a link costs one click, a
  # redirect none.
  def relaxed(starts, links, redirects)
    depths = starts.dup
    loop do
      before = depths.dup
      links.each do |node, targets|
        targets.each { |to| depths[to] = [depths[to], depths[node] + 1].compact.min if depths[node] }
      end
      redirects.each { |node, to| depths[to] = [depths[to], depths[node]].compact.min if depths[node] }
      return depths if depths == before
    end
  end

  def test_depths_are_those_of_shortest_ways
    chance = Random.new(7)
    40.times do |turn|
      size = 4 + turn
      links = (0...size).to_h { |node| [node, Array.new(chance.rand(4)) { chance.rand(size) }.uniq - [node]] }
      redirects = Array.new(size / 4) { chance.rand(size) }.uniq.to_h { |node| [node, chance.rand(size)] }
      redirects.each_key { |node| links[node] = [] }
      starts = {0 => 0, (size - 1) => chance.rand(3)}
      found = Core::Graph::Depths.of(starts: starts, links: links.method(:[]), redirects: redirects)
      assert_equal relaxed(starts, links, redirects), found, "turn #{turn}"
    end
  end

  # Those that wait for each other, by the strongly connected components of the standard library.
  class Waiting
    include TSort

    def initialize(after) = @after = after

    def tsort_each_node(&block) = @after.each_key(&block)

    def tsort_each_child(node, &block) = @after.fetch(node).each(&block)

    def circles = strongly_connected_components.reject { |one| one.size == 1 && !@after[one[0]].include?(one[0]) }
  end

  Task = Struct.new(:id, :after)

  def test_circles_are_found_where_there_are_any
    chance = Random.new(11)
    both = Array.new(120) do
      size = 2 + chance.rand(8)
      after = (0...size).to_h { |id| [id, Array.new(chance.rand(3)) { chance.rand(size) }.uniq] }
      found = Core::Workplan::Cycle.of(after.map { |id, ids| Task.new(id, ids) })
      circles = Waiting.new(after).circles
      assert_equal circles.empty?, found.nil?, after.inspect
      next false unless found

      assert_equal found.first, found.last
      assert(found.each_cons(2).all? { |one, next_one| after[one].include?(next_one) }, after.inspect)
      true
    end
    assert_equal [false, true], both.uniq.sort_by(&:to_s), "some of each"
  end

  def test_the_weightiest_of_many_are_those_that_sorting_all_gives
    chance = Random.new(3)
    [0, 1, 5, 30, 500].each do |size|
      rows = Array.new(size) { |at| [[nil, *0..9][chance.rand(11)], format("/%03d", at)] }.shuffle(random: chance)
      heap = Core::Ledger::Weightiest.new(7) { |row| row }
      rows.each { |row| heap << row }
      assert_equal rows.sort_by { |weight, url| [-(weight || 0), url] }.first(7), heap.rows
      assert_equal size, heap.total
    end
  end

  def test_a_text_is_cut_where_it_is_too_wide_and_never_wider
    pixels = Core::Desk::Pixels
    text = "Brass anchor lights for boats of every size, made by hand – 燈 lamps"
    (0..text.size).each do |size|
      shown = pixels.cut(text[0, size], 20, 200)
      assert_operator pixels.width(shown, 20), :<=, 200
      if pixels.width(text[0, size], 20) <= 200
        assert_equal text[0, size], shown
      else
        assert(shown.end_with?(" …") && text.start_with?(shown.delete_suffix(" …")), shown)
      end
    end
    assert_equal "Möwe", pixels.cut("Möwe", 20, 200)
    assert_equal pixels.width("é", 20), pixels.width("e\u0301", 20), "marks have no width of their own"
  end

  def test_an_address_of_a_list_is_found_by_the_least_change
    match = Core::Lists::Match
    known = {
      "http://a.test/x" => 1, "https://www.b.test/y/" => 2, "http://www.a.test/z?q=1" => 3, "http://a.test/" => 4
    }
    {
      "http://a.test/x" => ["url", 1],
      "http://a.test/x/" => ["slash", 1],
      "https://a.test/x" => ["host", 1],
      "https://www.a.test/x" => ["host", 1],
      "http://b.test/y/" => ["host", 2],
      "https://www.b.test/y" => ["slash", 2],
      "http://a.test/z?q=1" => ["host", 3],
      "http://www.a.test/" => ["host", 4]
    }.each { |url, found| assert_equal found, match.of(url) { |form| known[form] }, url }
    assert_nil match.of("http://c.test/x") { |form| known[form] }
    assert_nil match.of("http://a.test/z") { |form| known[form] }, "another query is another page"
    assert_empty match.forms("http://a.test/")["slash"], "the first page has no other form"
  end

  def test_where_a_crawl_begins_is_read_as_people_write_it
    start = Core::Settings::Start
    {
      " Example.TEST " => ["example.test/", true, "https://example.test/"],
      "www.example.test:8080/a" => ["www.example.test:8080/a", true, "https://www.example.test:8080/a"],
      "HTTP://Example.test" => ["http://example.test/", false, "http://example.test/"],
      "localhost:3000" => ["localhost:3000/", true, "https://localhost:3000/"]
    }.each do |text, (read, bare, url)|
      assert_equal [read, bare, url], [start.read(text), start.bare?(start.read(text)), start.url(start.read(text))]
    end
    ["", "a b", "lamps", "ftp://a.test/", "http://"].each do |text|
      assert_raises(Core::Url::NormalForm::Malformed, text) { start.read(text) }
    end
  end

  def test_a_fingerprint_is_of_what_things_are_and_not_of_how_they_are_written
    of = ->(value) { Core::Settings::Fingerprint.of(value) }
    assert_equal of.call({a: 1, b: [true, {c: nil}]}), of.call({"b" => [true, {"c" => nil}], "a" => 1})
    [{a: 1}, {a: 1.5}, {a: "1"}, {a: [1]}, {a: nil}, {}, [], {b: 1}, [{a: 1}]].combination(2) do |one, other|
      refute_equal of.call(one), of.call(other)
    end
    refute_equal of.call([1, 2]), of.call([2, 1]), "lists have an order"
  end

  Page = Struct.new(
    :url, :kind, :status, :wanted, :indexable, :stop, :chosen_canonical, :copy_of, :soft_missing, :noindex, :climb,
    keyword_init: true
  )

  def page(**given)
    Page.new(url: "http://a.test/x", kind: "html", status: 200, wanted: true, indexable: true, climb: [], **given)
  end

  # Source: sitemaps.org lists what is to be crawled; that only what may be indexed belongs there is common practice.
  def test_what_belongs_in_sitemaps
    belongs = ->(**given) { Core::Sitemaps::Belonging.belongs?(page(**given)) }
    assert belongs.call
    assert belongs.call(stop: "indexed"), "whether the index has it is no reason to leave it out"
    assert belongs.call(chosen_canonical: "http://a.test/x")
    [
      {kind: "pdf"}, {kind: "image"}, {status: 301}, {wanted: false}, {indexable: false}, {stop: "own"},
      {chosen_canonical: "http://a.test/y"}
    ].each { |given| refute belongs.call(**given), given }
    assert Core::Sitemaps::Belonging.belongs?(page(kind: "pdf"), pdfs: true)
  end

  def test_what_could_be_listed_if_it_were_wanted_and_said_no_noindex
    listable = ->(**given) { Core::Sitemaps::Belonging.listable?(page(**given)) }
    assert listable.call(wanted: false)
    stops = ->(rung) { {noindex: true, indexable: false, stop: "open", climb: [{"rung" => rung, "state" => "stop"}]} }
    assert_equal [true, true, false], %w[open indexed own].map { |rung| listable.call(**stops.call(rung)) }
    [{copy_of: "http://a.test/y"}, {soft_missing: true}, {status: 404}, {kind: "pdf"}, {stop: "own"}]
      .each { |given| refute listable.call(**given), given }
  end

  Item = Core::StructuredData::Item

  def item(types, properties) = Item.new(syntax: "json-ld", types: types, properties: properties)

  # Source: the video and news extensions of sitemaps require these (common practice; from memory).
  def test_what_sitemaps_say_of_videos_is_said_by_the_page
    said = {
      "thumbnailUrl" => ["http://a.test/t.png"], "name" => [" A lamp "], "description" => ["Lit."],
      "contentUrl" => ["http://a.test/v.mp4"]
    }
    of = ->(properties) do
      Core::Sitemaps::FromData.video([item(%w[WebPage], {"video" => [item(%w[VideoObject], properties)]})])
    end
    assert_equal({"thumbnail_loc" => "http://a.test/t.png", "title" => "A lamp", "description" => "Lit.",
      "content_loc" => "http://a.test/v.mp4"}, of.call(said))
    played = said.except("contentUrl").merge("embedUrl" => ["http://a.test/p"])
    assert_equal "http://a.test/p", of.call(played)["player_loc"]
    said.each_key { |name| assert_nil of.call(said.except(name)), name }
    assert_nil Core::Sitemaps::FromData.video([item(%w[Product], {})])
  end

  def test_news_are_of_the_last_two_days
    now = Time.utc(2027, 1, 4, 12)
    said = {
      "datePublished" => ["2027-01-03T12:00:00Z"], "headline" => ["A lamp is lit"],
      "publisher" => [item(%w[Organization], {"name" => ["Skerry"]})]
    }
    of = ->(properties, language = "en-GB") do
      Core::Sitemaps::FromData.news([item(%w[NewsArticle], properties)], language, now)
    end
    assert_equal ["Skerry", "en", "2027-01-03T12:00:00Z", "A lamp is lit"], of.call(said).values
    ["2027-01-02T11:59:59Z", "2027-01-04T12:00:01Z", "yesterday", ""].each do |time|
      assert_nil of.call(said.merge("datePublished" => [time])), time
    end
    assert_nil of.call(said, nil)
    said.each_key { |name| assert_nil of.call(said.except(name)), name }
  end

  Fulfilled = Core::Decisions::Fulfilment

  def fulfilled(routes: {}, **given)
    table = Core::Redirects::Table.new(
      routes.map do |from, to|
        Core::Redirects::Route.new(from: from, to: to, status: to ? 301 : 410, kind: "exact", query: "drop")
      end
    )
    Fulfilled.of(Core::Faults::Subject.new(url: "http://a.test/x", status: 200, **given), table)
  end

  def test_what_was_decided_is_so
    to = {"http://a.test/x" => "http://a.test/y"}
    assert_equal "redirect", fulfilled(routes: to, status: 301, redirect_to: "http://a.test/y")
    by_way = {routes: to, status: 301, redirect_to: "http://a.test/z"}
    assert_equal "redirect", fulfilled(**by_way, final_url: "http://a.test/y")
    assert_nil fulfilled(**by_way, final_url: "http://a.test/z")
    assert_equal "gone", fulfilled(routes: {"http://a.test/x" => nil}, status: 410)
    assert_equal "kept out", fulfilled(intent: "keep_out", indexable: false)
    assert_nil fulfilled(intent: "keep_out", indexable: true)
    assert_nil fulfilled(intent: "keep_out", indexable: false, status: nil), "no answer is no decision carried out"
    assert_equal "canonical", fulfilled(chosen_canonical: "http://a.test/y", canonical: "http://a.test/y")
    assert_nil fulfilled(chosen_canonical: "http://a.test/y", canonical: "http://a.test/x")
    assert_nil fulfilled
  end

  # White space as the standard library's classes have it, and what is put between words by chance.
  def test_folded_text_has_one_blank_between_its_words
    chance = Random.new(11)
    blanks = [" ", "\t", "\n", "\r\n", "\u00A0", "\u2003", "\u3000", "  "]
    200.times do
      words = Array.new(chance.rand(5)) { ["a", "öl", "lamp", "9"].sample(random: chance) }
      text = words.flat_map { |word| [blanks.sample(random: chance), word] }.push([blanks.sample(random: chance), ""]
        .sample(random: chance)).join
      assert_equal words.join(" "), Core::Content::Folded.of(text), text.inspect
      assert_equal words.join(" "), Core::Content::Folded.if_needed(text), text.inspect
    end
    assert_nil Core::Content::Folded.if_needed(nil)
    "as it is".then { |text| assert_same text, Core::Content::Folded.if_needed(text) }
  end

  # RFC 9110 section 10.2.2 (Location is a reference), section 15.4 (which answers redirect), RFC 3986 section 5.4.
  def test_an_answer_leads_where_its_location_says_from_where_it_came
    at = Core::Url::NormalForm.parse("http://a.test/b/c/d?q")
    {
      [301, "g"] => "http://a.test/b/c/g",
      [302, "/g"] => "http://a.test/g",
      [307, "//g.test"] => "http://g.test/",
      [308, "?y"] => "http://a.test/b/c/d?y",
      [303, "http://g.test/../x"] => "http://g.test/x",
      [301, "mailto:a@a.test"] => nil,
      [301, nil] => nil,
      [304, "/g"] => nil,
      [200, "/g"] => nil,
      [nil, nil] => nil
    }.each do |(status, location), expected|
      answer = Core::Crawling::Answer.new(status: status, header_lines: location ? ["location: #{location}"] : [])
      assert_equal [expected], [answer.leads_to(at)&.to_s], "#{status} #{location}"
    end
  end

  def test_a_decision_concerns_its_pages
    page = "http://a.test/x"
    {
      ["intent", page, {"intent" => "index"}] => [:named, [page]],
      ["intent", "/x/*", {"intent" => "index"}] => [:matching, "/x/*"],
      ["canonical", "/x/*", {"target" => page}] => [:matching, "/x/*"],
      ["route", page, {"to" => nil, "status" => 410}] => [:named, [page]],
      ["group", "lamps", {"intent" => "keep_out"}] => [:of_group, "lamps"],
      ["repoint", page, {"target" => "http://a.test/y"}] => [:linking_to, page],
      ["languages", page, {"pages" => {"en" => page, "da" => "http://a.test/y"}}] => [:named, [page, "http://a.test/y"]]
    }.each do |(kind, subject, value), expected|
      assert_equal expected, Core::Decisions::Registry.fetch(kind).concerns(subject, value), kind
    end
    shown = Core::Decisions::Registry.all.reject { |kind| kind.method(:concerns).owner == Core::Decisions::Kind }
    assert_equal %w[canonical group intent languages repoint route], shown.map(&:code)
    assert_empty(shown.select { |kind| kind.method(:seen).owner == Core::Decisions::Kind })
  end

  def test_what_a_rule_calls_its_own_comes_behind_what_several_tell
    rule = Core::Faults::Registry.fetch("not-for-phones")
    told = Core::Faults::Details.of(rule, nil, {"smallest_text" => 9, "viewport" => "x", "words" => 3, "status" => 200})

    assert_equal ["Status", "Words", "Viewport", "Smallest text, pixels"], told.map(&:name)
    assert_raises(KeyError) { Core::Faults::Details.of(rule, nil, {"weather" => "fair"}) }
  end
end

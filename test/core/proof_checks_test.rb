# frozen_string_literal: true

require_relative "../test_helper"

# Whether a fix was made, condition by condition, on pages as they answer now; what is looked at is made by hand.
class ProofChecksTest < Minitest::Test
  Core = IronTrellis::Core
  P = Core::Proofs
  THRESHOLDS = Core::Settings::Thresholds.default
  SOUND = {
    kind: "html",
    status: 200,
    redirect_chain: [],
    noindex: false,
    nofollow: false,
    robots_allowed: true,
    indexable: true,
    intent: "undecided",
    in_sitemaps: [],
    found_by: %w[link],
    links_in: 3
  }.freeze

  # What is looked at: pages, files and what the crawl knew, by address.
  SiteProbe =
    Struct.new(
      :pages, :rows, :files, :robots_files, :before, :usual_sitemaps, :sources, :probes, :flaws, keyword_init: true
    ) do
      def page(url) = pages.fetch(url)

      def row(url) = rows&.[](url)

      def sitemap(url) = {"files" => [], "urls" => [], "faults" => [], "status" => 200}.merge(files.fetch(url))

      def sitemaps = files.keys

      def robots(url) = robots_files.fetch(url)

      def robots_then(url) = before.fetch(url)

      def flaw_then(*key) = flaws&.[](key)

      def probe(url) = probes&.[](url)

      def linking(url) = sources.fetch(url, [])

      def judge(rule, _group) = rule.new(THRESHOLDS)
    end

  def page(url, html = nil, hops: [], **subject)
    facts = html && Core::Page::Reader.new(agent: "x").call(
      url: Core::Url::NormalForm.parse(url), body: html.b, header_lines: ["Content-Type: text/html; charset=utf-8"]
    )
    told = facts ? {title: facts.title, canonical: facts.canonical&.url, h1: facts.h1} : {}
    P::View.new(subject: Core::Faults::Subject.new(url: url, **SOUND, **told, **subject), facts: facts, hops: hops)
  end

  def probe(*pages, **more) =
    SiteProbe.new(pages: pages.to_h { |one| [one.subject.url, one] }, files: {}, sources: {}, **more)

  def met?(code, probe, url: X, about: nil, wanted: nil) =
    look(code, probe, url: url, about: about, wanted: wanted).first

  def look(code, probe, url: X, about: nil, wanted: nil)
    condition = P::Condition.new(url: url, code: code, about: about, wanted: wanted)
    P::Checks.for(condition).call(condition, probe)
  end

  X = "http://a.test/x"
  Y = "http://a.test/y"
  Z = "http://a.test/z"
  MAP = "http://a.test/sitemap.xml"

  # Source: RFC 9110 sections 15.4.2, 15.4.9 and 15.5.11.
  def test_a_lost_address_answers_is_gone_or_leads_on_for_good
    {
      {status: 200} => true,
      {status: 410} => true,
      {status: 404} => false,
      {status: 301, hops: [Y], final_status: 200} => true,
      {status: 308, hops: [Y], final_status: 200} => true,
      {status: 302, hops: [Y], final_status: 200} => false,
      {status: 301, hops: [Y, Z], final_status: 200} => false,
      {status: 301, hops: [Y], final_status: 404} => false
    }.each { |answer, met| assert_equal met, met?("not-found", probe(page(X, **answer))), answer }
  end

  def test_a_route_is_as_it_was_decided
    moved = probe(page(X, status: 301, hops: [Y], final_status: 200))
    assert_equal [true, false], [Y, Z].map { |to| met?("accepted-route", moved, wanted: to) }
    assert_equal [true, false], [410, 301].map { |status|
      met?("accepted-route", probe(page(X, status: status, hops: (status == 301) ? [Y] : [])))
    }
    assert met?("merge", moved, about: Y)
    _, found = look("accepted-route", probe(page(X, status: 302, hops: [Y, Z], final_status: 200)), wanted: Y)
    assert_equal "it answers 302 and leads to #{Z} in 2 hops, which answers 200", found
  end

  # Source: RFC 6596 section 3.
  def test_a_page_names_the_canonical_that_it_shall_or_leads_there
    named = page(X, %(<link rel=canonical href="/y"><p>x))
    assert_equal [true, "it names /y"], look("canonical-to-missing", probe(named), wanted: Y)
    assert_equal [false, "it names /y"], look("canonical-to-missing", probe(named), wanted: Z)
    assert_equal [false, "it names no canonical"], look("canonical-missing", probe(page(X, "<p>x")), wanted: X)
    assert met?("copy-exact", probe(page(X, status: 301, hops: [Y])), wanted: Y)
    refute met?("copy-exact", probe(page(X, status: 302, hops: [Y])), wanted: Y)
    assert_nil met?("copy-exact", probe(named)), "what nobody decided only the next crawl can tell"
  end

  def test_what_was_written_wrongly_has_to_be_gone_though_the_canonical_is_right
    right = page(X, "", canonical: X, canonical_marks: {"malformed" => [], "misplaced" => %w[/old]})
    refute met?("canonical-misplaced", probe(right), about: "/old", wanted: X)
    mended = page(X, "", canonical: X, canonical_marks: {"malformed" => [], "misplaced" => []})
    assert met?("canonical-misplaced", probe(mended), about: "/old", wanted: X)
  end

  def test_a_page_is_kept_out_or_let_in_as_was_decided
    keep = {intent: "keep_out"}
    {
      {noindex: true, **keep} => true,
      {noindex: false, **keep} => false,
      {status: 404, **keep} => true,
      {status: 301, hops: [Y], **keep} => true,
      {noindex: false, intent: "index"} => true,
      {noindex: true, intent: "index"} => false
    }.each { |is, met| assert_equal met, met?("decided-intent", probe(page(X, **is))), is }
    assert met?("goal-page-open", probe(page(X, noindex: true, intent: "index")))
  end

  # Source: RFC 9309 section 2.3.1.4: an unreachable robots.txt shuts all, which is nobody's decision.
  def test_a_block_is_one_that_stands_in_a_line
    assert_equal [true, false, nil], [
      {robots_allowed: false, robots_line: 3}, {robots_allowed: true}, {robots_allowed: false, robots_line: nil}
    ].map { |is| met?("decided-block", probe(page(X, **is))) }
  end

  def test_a_link_is_gone_or_leads_to_what_is_well
    linking = page(X, %(<p><a href="/y">Lamps</a>))
    missing, there = page(Y, status: 404), page(Y)
    assert_equal [false, "it has the link still, and it answers 404"],
      look("link-to-missing", probe(linking, missing), about: Y)
    assert met?("link-to-missing", probe(linking, there), about: Y)
    assert_equal [true, "the link is gone"], look("link-to-missing", probe(page(X, "<p>x"), missing), about: Y)
    assert_equal [true, "it links there: “Lamps”"], look("accepted-link", probe(linking, there), about: Y)
    refute met?("accepted-link", probe(page(X, "<p>x"), there), about: Y)
  end

  def test_what_is_gone_on_purpose_has_no_links_or_leads_on
    sources = {X => [Y]}
    linking, silent = page(Y, %(<a href="/x">x</a>)), page(Y, "<p>x")
    assert_equal [false, "#{Y} links to it"],
      look("gone-linked", probe(page(X, status: 410), linking, sources: sources))
    assert met?("gone-linked", probe(page(X, status: 410), silent, sources: sources))
    assert met?("gone-linked", probe(page(X, status: 301, hops: [Z]), linking, sources: sources))
  end

  # Source: sitemaps.org, "Sitemap file location"; what may be listed is common practice.
  def test_a_sitemap_lists_what_it_shall
    lists = {files: {MAP => {"urls" => [X]}}}
    lost = page(X, status: 404, in_sitemaps: [MAP])
    refute met?("sitemap-lists-missing", probe(lost, **lists), about: MAP)
    assert met?("sitemap-lists-missing", probe(page(X, in_sitemaps: [MAP]), **lists), about: MAP), "it answers now"
    assert met?("sitemap-lists-missing", probe(lost, files: {MAP => {"urls" => [Y]}}), about: MAP), "not listed now"
    assert_equal [true, "#{MAP} lists it"], look("sitemap-omits", probe(page(X), **lists))
    assert_equal [false, "none of 1 sitemap files lists it"], look("sitemap-omits", probe(files: {MAP => {}}))
  end

  def test_a_site_has_a_sitemap_at_one_of_its_usual_addresses
    found = {files: {MAP => {"kind" => "urlset"}}, usual_sitemaps: [MAP]}
    assert_equal [true, MAP], look("sitemap-none", probe(**found))
    refute met?("sitemap-none", probe(files: {MAP => {"kind" => nil, "status" => 404}}, usual_sitemaps: [MAP]))
  end

  def test_a_sitemap_of_pages_to_be_kept_out_is_empty_or_lists_others
    rows = {X => Core::Faults::Subject.new(intent: "keep_out"), Y => Core::Faults::Subject.new(intent: "index")}
    state = ->(urls) { met?("sitemap-unwanted-group", probe(rows: rows, files: {MAP => {"urls" => urls}}), url: MAP) }
    assert_equal [false, true, true, true], [[X], [X, Y], [Z], []].map(&state)
  end

  def test_a_sitemap_reads_well_again
    file = ->(**told) { probe(files: {MAP => told.transform_keys(&:to_s)}) }
    unreadable = [{"code" => "sitemap-unreadable"}]
    assert_equal [true, false, false], [{}, {status: 404}, {faults: unreadable}].map { |told|
      met?("sitemap-unreadable", file.call(**told), url: MAP)
    }
    twice = [{"code" => "sitemap-duplicate", "about" => X, "line" => 9}]
    assert_equal [false, "line 9: #{X}"], look("sitemap-duplicate", file.call(faults: twice), about: MAP)
    assert met?("sitemap-duplicate", file.call(faults: twice), url: Y, about: MAP), "another address is there twice"
    refute met?("sitemap-nested-index", file.call(files: [MAP]), url: MAP, about: MAP)
  end

  # A line of a file moves; what stands on it stays.
  def test_a_flaw_is_known_again_by_its_words_not_by_its_line
    robots = "http://a.test/robots.txt"
    before = "User-agent: *\nNoindex: /x\nDisalow: /y\n"
    now = ->(text) do
      file = {"url" => robots, "status" => 200, "body" => text, "bytes" => text.bytesize, "origin" => "http://a.test"}
      probe(before: {robots => before}, robots_files: {robots => file})
    end
    still = "# new\n\n#{before}"
    assert_equal [false, "Disalow: /y"], look("robots-syntax", now.call(still), url: robots, about: "3")
    assert met?("robots-syntax", now.call(still.sub("Disalow", "Disallow")), url: robots, about: "3"),
      "another flaw of the file is another fault"
  end

  def test_of_two_addresses_of_one_content_one_gives_way
    two = ->(**is) { probe(page(X), page(Y, **is)) }
    assert_equal [nil, "the next crawl of the whole site tells"], look("slash-variants", two.call, about: Y)
    assert met?("slash-variants", two.call(status: 301, hops: [X], indexable: false), about: Y)
    assert_nil met?("slash-variants", two.call(status: 302, hops: [X], indexable: false), about: Y)
  end

  def test_a_page_that_reads_as_missing_says_so_or_waits_for_the_next_crawl
    rows = {X => Core::Faults::Subject.new(title: "Not found")}
    state = ->(one) { met?("soft-missing", probe(one, rows: rows)) }
    assert_equal [true, true, false, nil], [
      page(X, status: 404), page(X, status: 301, hops: [Y]), page(X, "<title>Not found</title>"),
      page(X, "<title>Brass lamps</title>")
    ].map(&state)
  end

  def test_a_rule_of_one_page_is_asked_again
    assert_equal [false, "it answers 200"], look("title-missing", probe(page(X, "<p>x", title: nil)))
    assert met?("title-missing", probe(page(X, "<title>Lamps</title>")))
    assert_nil met?("too-deep", probe(page(X))), "how deep it lies only a crawl tells"
    assert_nil met?("no-such-rule", probe(page(X)))
  end

  def drafted(element, before, after, html) =
    met?("drafted-#{element}", probe(page(X, html)), about: [before, after].join(P::Checks::Drafted::TO))

  def test_a_page_says_what_was_drafted
    html = <<~HTML
      <title>Brass  lamps</title><meta name=description content="Of brass."><h1>Lamps</h1><h2>Of brass</h2>
      <img src=/a.png alt="A lamp"><p>They are made by hand.</p><p>They burn oil.</p>
    HTML
    {
      ["title", "x", "Brass lamps"] => true,
      ["title", "x", "Brass"] => false,
      ["description", "x", "Of brass."] => true,
      ["h1", "x", "Lamps"] => true,
      ["h2", "x", "Lamps"] => false,
      ["alt", "http://a.test/a.png old", "A lamp"] => true,
      ["alt", "http://a.test/b.png", "A lamp"] => false,
      ["text", "x", "They burn oil.\n\n They are made by hand. "] => true,
      ["text", "x", "They burn oil.\nThey burn gas."] => false
    }.each { |(element, before, after), met| assert_equal met, drafted(element, before, after, html), [element, after] }
    refute met?("drafted-title", probe(page(X, status: 404)), about: "x\n=>\ny")
  end

  def test_a_business_is_written_in_one_way_however_often
    old, new = "Skerry Lamps", "Skerry Lamps Ltd"
    assert drafted("fact", old, new, "<p>Skerry Lamps Ltd</p><footer>Skerry Lamps Ltd</footer>")
    refute drafted("fact", old, new, "<p>Skerry Lamps Ltd</p><footer>Skerry Lamps</footer>")
    refute drafted("fact", old, new, "<p>Lamps</p>")
    data = '<script type="application/ld+json">{"@type":"Store","name":"Skerry Lamps"}</script>'
    refute drafted("fact", old, new, "<p>Skerry Lamps Ltd</p>#{data}")
  end

  def test_structured_data_are_there_whatever_else_they_say
    wanted = '{"@context":"https://schema.org","@type":"Store","name":"Skerry"}'
    with = ->(json) { %(<script type="application/ld+json">#{json}</script><p>x) }
    assert drafted("data", "", wanted, with.call('{"@type":"Store","name":"Skerry","telephone":"1"}'))
    refute drafted("data", "", wanted, with.call('{"@type":"Store","name":"Other"}'))
    refute drafted("data", "", wanted, with.call('{"@type":"Hotel","name":"Skerry"}'))
  end

  def found(met, url: X, cached: false) =
    P::Found.new(condition: P::Condition.new(url: url, text: "says no noindex"), met: met, found: "f", cached: cached)

  def test_what_was_found_comes_to_a_state
    {
      [true, true] => "proved",
      [true, false] => "partly",
      [false, nil] => "not done",
      [true, nil] => "claimed",
      [nil] => "claimed",
      [] => "claimed"
    }.each { |all, state| assert_equal state, P::Verdict.new(all.map { |met| found(met) }).state, all }
  end

  def test_a_verdict_is_told_with_what_is_not_met_and_where_a_cache_answers
    verdict = P::Verdict.new([found(true), found(false, url: Y, cached: true), found(nil)])
    assert_equal(
      {
        "id" => "F1",
        "state" => "partly",
        "checked" => 2,
        "met" => 1,
        "unmet" => [{"url" => Y, "condition" => "says no noindex", "found" => "f"}],
        "notes" => ["#{Y}: a cache answers otherwise"]
      },
      verdict.report("F1", verdict.state)
    )
  end

  def test_every_fault_has_a_way_to_be_looked_at
    Core::Faults::Registry.all.each do |rule|
      assert_respond_to P::Checks.for(P::Condition.new(code: rule.code)), :call, rule.code
    end
  end
end

# frozen_string_literal: true

require_relative "../test_helper"
require_relative "site_rules_test"

# Each rule alone: a page on which it speaks, and pages close to it on which it is silent.
class RulesTest < Minitest::Test
  Faults = IronTrellis::Core::Faults
  THRESHOLDS = IronTrellis::Core::Settings::Thresholds.default

  SOUND = {
    url: "http://a.test/x",
    kind: "html",
    status: 200,
    whole: true,
    depth: 2,
    start: false,
    found_by: %w[link],
    robots_allowed: true,
    redirect_chain: [],
    redirect_loop: false,
    noindex: false,
    title: "Anchor lights",
    title_chars: 40,
    words: 400,
    links_in: 3,
    followed_in: 3,
    in_sitemaps: [],
    indexable: true,
    wanted: true,
    intent: "undecided",
    soft_missing: false,
    titles: ["Anchor lights"],
    h1: ["Lights to lie at anchor with"],
    description: "x" * 100,
    description_chars: 100,
    lang: "en",
    bytes: 20_000,
    links_out: 9,
    directives: [],
    canonicals: {},
    canonical_state: "self",
    canonical: "http://a.test/x",
    canonical_chain: [],
    canonical_loop: false,
    canonical_off_site: false,
    redirect_off_site: false,
    has_sitemaps: false,
    hreflang: [],
    copies: 0,
    unique_share: 0.9,
    response_ms: 200,
    viewport: "width=device-width",
    nofollow: false
  }.freeze

  def self.directive(place, *tokens) =
    IronTrellis::Core::Directives::Directive.new(source: "meta", tokens: tokens, place: place)

  def self.tongues(*pairs) =
    pairs.map { |code, url| {"code" => code, "url" => "http://a.test/#{url}", "source" => "html"} }

  SITEMAP = %w[http://a.test/s.xml].freeze
  MOVED = {
    status: 301,
    redirect_to: "http://a.test/y",
    redirect_chain: %w[http://a.test/y],
    final_url: "http://a.test/y",
    final_status: 200,
    indexable: false
  }.freeze

  def self.in_html = {"code" => "en", "url" => "http://a.test/x", "source" => "html"}

  # By rule: what of a sound page must be otherwise for it to speak, then changes of that under which it is silent.
  PAGE_RULES = {
    "blocked-wanted" => [
      {robots_allowed: false, robots_line: 3, robots_rule: "Disallow: /x"}, {wanted: false}, {robots_allowed: nil}
    ],
    "canonical-chain" => [
      {canonical_chain: %w[http://a.test/y http://a.test/z]}, {canonical_chain: %w[http://a.test/y]},
      {canonical_loop: true}
    ],
    "canonical-clash" => [
      {canonicals: {"html" => %w[http://a.test/x], "header" => %w[http://a.test/y]}},
      {canonicals: {"html" => %w[http://a.test/x], "header" => %w[http://a.test/x]}},
      {canonicals: {"html" => %w[http://a.test/x]}}
    ],
    "canonical-loop" => [{canonical_loop: true, canonical_chain: %w[http://a.test/y]}, {canonical_loop: false}],
    "canonical-malformed" => [
      {canonical_marks: {"malformed" => %w[/x], "misplaced" => []}},
      {canonical_marks: {"malformed" => [], "misplaced" => []}}, {canonical_marks: nil}
    ],
    "canonical-many" => [
      {canonicals: {"html" => %w[http://a.test/x http://a.test/y]}}, {canonicals: {"html" => %w[http://a.test/x]}},
      {canonicals: {"html" => %w[http://a.test/x], "header" => %w[http://a.test/y]}}
    ],
    "canonical-misplaced" => [
      {canonical_marks: {"malformed" => [], "misplaced" => %w[http://a.test/y]}},
      {canonical_marks: {"malformed" => %w[/x], "misplaced" => []}}
    ],
    "canonical-missing" => [
      {canonical_state: "none"}, {canonical_state: "malformed"}, {indexable: false}, {kind: "pdf"}
    ],
    "canonical-not-wanted" => [
      {chosen_canonical: "http://a.test/y", canonical: "http://a.test/x", status: 200, kind: "html"},
      {chosen_canonical: "http://a.test/y", canonical: "http://a.test/y", status: 200, kind: "html"}
    ],
    "canonical-off-site" => [{canonical_off_site: true, canonical: "http://b.test/"}, {canonical_off_site: false}],
    "canonical-paged-to-first" => [
      {url: "http://a.test/x?page=2", canonical: "http://a.test/x", canonical_state: "other"},
      {url: "http://a.test/x?page=1"}, {canonical: "http://a.test/y"}, {canonical_state: "self"}
    ],
    "copy-exact" => [{copy_of: "http://a.test/y", similarity: 1.0}, {similarity: 0.99}, {copy_of: nil}],
    "copy-near" => [{copy_of: "http://a.test/y", similarity: 0.9}, {similarity: 1.0}, {copy_of: nil}],
    "data-invalid" => [{data_problems: ["JSON-LD 1: it is empty"]}, {data_problems: nil}, {indexable: false}],
    "hreflang-misplaced" => [
      {hreflang: [{"code" => "da", "url" => "http://a.test/y", "misplaced" => true}]},
      {hreflang: tongues(%w[en x], %w[x-default x])}
    ],
    "hreflang-relative" => [
      {hreflang: [{"code" => "da", "url" => "http://a.test/y", "relative" => true}]},
      {hreflang: tongues(%w[en x], %w[x-default x])}
    ],
    "hreflang-sources-clash" => [
      {hreflang: [in_html, {"code" => "en", "url" => "http://a.test/y", "source" => "sitemap"}]},
      {hreflang: [in_html, {"code" => "EN", "url" => "http://a.test/x", "source" => "header"}]},
      {hreflang: tongues(%w[en x], %w[da y])}
    ],
    "little-of-its-own" => [{unique_share: 0.24}, {unique_share: 0.25}, {copies: 1}, {unique_share: nil}],
    "nofollow-internal" => [{unfollowed: %w[http://a.test/y]}, {unfollowed: nil}],
    "not-for-phones" => [{viewport: nil}, {viewport: "initial-scale=1, width=400"}, {indexable: false}],
    "parameter-variants" => [
      {url: "http://a.test/x?a=1", copy_of: "http://a.test/x", similarity: 1.0}, {copy_of: "http://a.test/y"},
      {copy_of: nil}
    ],
    "redirect-downgrade" => [
      {url: "https://a.test/x", redirect_chain: %w[http://a.test/y]}, {url: "http://a.test/x"},
      {redirect_chain: %w[https://a.test/y http://a.test/z]}
    ],
    "slow" => [{response_ms: 2501}, {response_ms: 2500}, {kind: "image"}, {status: 500}],
    "too-deep" => [{depth: 5, importance: 70}, {depth: 4}, {importance: 69.9}, {depth: nil}],
    "too-many-links" => [{links_out: 301}, {links_out: 300}, {kind: "pdf"}],
    "dead-end" => [
      {links_out: 0},
      {links_out: 1},
      {links_out: nil},
      {indexable: false},
      {links_out: 0, soft_missing: true}
    ],
    "description-long" => [{description_chars: 156}, {description_chars: 155}, {indexable: false}],
    "description-missing" => [{description: nil, description_chars: nil}, {description: "x"}, {indexable: false}],
    "description-short" => [
      {description_chars: 69}, {description_chars: 70}, {description_chars: 0}, {indexable: false}
    ],
    "directive-conflict" => [
      {directives: [directive("head", "index", "nofollow"), directive("head", "follow")]},
      {directives: [directive("head", "noindex"), directive("head", "none")]},
      {directives: [directive("head", "index", "nofollow")]}
    ],
    "directive-misplaced" => [
      {directives: [directive("body", "noindex")]}, {directives: [directive("head", "noindex")]}
    ],
    "few-links-in" => [
      {importance: 70, links_in: 2}, {importance: 69.9}, {links_in: 3}, {links_in: 0}, {importance: nil}
    ],
    "gone-linked" => [{status: 410}, {links_in: 0}, {status: 404}],
    "h1-long" => [{h1: ["x" * 71]}, {h1: ["x" * 70]}, {indexable: false}],
    "h1-many" => [{h1: %w[a b]}, {h1: %w[a]}, {indexable: false}],
    "h1-missing" => [{h1: []}, {h1: ["", "b"]}, {indexable: false}],
    "heavy-page" => [{bytes: 2_000_001}, {bytes: 2_000_000}, {kind: "image"}],
    "lang-missing" => [{lang: nil}, {lang: "da"}, {indexable: false}],
    "hreflang-code" => [
      {hreflang: tongues(%w[en-UK x])}, {hreflang: tongues(%w[en-GB x], %w[x-default x], %w[zh-Hant-TW y])}
    ],
    "hreflang-code-twice" => [
      {hreflang: tongues(%w[pt x], %w[PT y])}, {hreflang: tongues(%w[pt x], %w[pt x], %w[pt-BR y])}
    ],
    "hreflang-no-default" => [
      {hreflang: tongues(%w[en x], %w[pt y])}, {hreflang: tongues(%w[en x], %w[X-Default x])}, {hreflang: []},
      {indexable: false}
    ],
    "hreflang-no-self" => [
      {hreflang: tongues(%w[pt y], %w[x-default y])}, {hreflang: tongues(%w[en x], %w[pt y])}, {hreflang: []},
      {indexable: false}
    ],
    "lang-mismatch" => [
      {hreflang: tongues(%w[pt x])}, {lang: "pt-BR"}, {lang: nil}, {hreflang: tongues(%w[pt y])},
      {hreflang: tongues(%w[pt x], %w[en x])}
    ],
    "noindex-unseen" => [{robots_allowed: false, noindex: true}, {noindex: false}, {robots_allowed: true}],
    "noindex-wanted" => [{noindex: true, noindex_where: "meta robots"}, {wanted: false}, {noindex: false}],
    "not-found" => [{status: 404}, {status: 410}, {links_in: 0, found_by: []}, {status: 500}],
    "orphan" => [
      {depth: nil, followed_in: 0}, {start: true}, {followed_in: 1}, {status: 404}, {kind: "image"}, {whole: false}
    ],
    "redirect-chain" => [
      {
        status: 301, redirect_to: "http://a.test/y", redirect_chain: %w[http://a.test/y http://a.test/z],
        final_url: "http://a.test/z"
      },
      {redirect_chain: %w[http://a.test/y]}, {redirect_loop: true}
    ],
    "redirect-loop" => [
      {status: 301, redirect_to: "http://a.test/y", redirect_chain: %w[http://a.test/y], redirect_loop: true},
      {redirect_loop: false}
    ],
    "redirect-malformed" => [{status: 301, redirect_to: nil}, {redirect_to: "http://a.test/y"}, {status: 304}],
    "redirect-off-site" => [{**MOVED, redirect_off_site: true}, {redirect_off_site: false}],
    "redirect-refresh" => [{redirect_to: "http://a.test/y", refresh_source: "meta"}, {refresh_source: nil}],
    "redirect-temporary" => [{**MOVED, status: 302}, {status: 308}, {redirect_to: nil}],
    "redirect-to-home" => [
      {**MOVED, final_url: "http://a.test/"}, {url: "http://b.test/"}, {redirect_off_site: true},
      {final_url: "http://a.test/?page=2"}, {redirect_loop: true}
    ],
    "redirect-to-missing" => [{**MOVED, final_status: 404}, {final_status: 500}, {final_status: nil}],
    "server-error" => [{status: 503}, {status: 404}, {status: nil}],
    "sitemap-lists-blocked" => [
      {robots_allowed: false, in_sitemaps: SITEMAP}, {in_sitemaps: []}, {robots_allowed: nil}
    ],
    "sitemap-lists-diverted" => [
      {canonical_state: "other", canonical: "http://a.test/y", in_sitemaps: SITEMAP}, {in_sitemaps: []},
      {canonical_state: "clash"}
    ],
    "render-only" => [
      {changed_by_script: {"title" => ["a", "b"]}}, {changed_by_script: {}}, {changed_by_script: nil},
      {changed_by_script: {"h1" => [[], ["x"]]}}, {changed_by_script: {"links" => [["http://a.test/gone"], []]}}
    ],
    "sitemap-lists-missing" => [{status: 404, in_sitemaps: %w[http://a.test/s.xml]}, {in_sitemaps: []}, {status: 200}],
    "sitemap-lists-noindex" => [
      {noindex: true, in_sitemaps: %w[http://a.test/s.xml]}, {in_sitemaps: []}, {noindex: false}
    ],
    "sitemap-lists-redirect" => [{**MOVED, in_sitemaps: SITEMAP}, {in_sitemaps: []}, {redirect_to: nil}],
    "sitemap-lists-unwanted" => [{intent: "keep_out", in_sitemaps: SITEMAP}, {in_sitemaps: []}, {intent: "index"}],
    "sitemap-omits" => [
      {has_sitemaps: true}, {in_sitemaps: SITEMAP}, {wanted: false}, {stop: "distinct"}, {kind: "style"},
      {chosen_canonical: "http://a.test/other"}, {has_sitemaps: false}
    ],
    "soft-missing" => [{soft_missing: true}, {soft_missing: false}],
    "stray-header" => [{header_noindex_alone: true}, {kind: "pdf"}, {header_noindex_alone: false}],
    "stray" => [{intent: "keep_out", words: 3, depth: nil}, {indexable: false}, {intent: "undecided"}, {kind: "image"}],
    "thin" => [
      {words: 119}, {words: 120}, {words: 119, indexable: false}, {words: 119, main_words: 120}
    ],
    "title-equals-h1" => [{h1: ["Anchor lights", "b"]}, {h1: %w[b]}, {title: "", h1: [""]}],
    "title-long" => [{title_chars: 61}, {title_chars: 60}, {title_chars: 61, indexable: false}],
    "title-missing" => [
      {title: nil, title_chars: nil}, {title: "x"}, {title: "", indexable: false}, {title: "", kind: "pdf"}
    ],
    "title-many" => [{titles: %w[a b]}, {titles: %w[a]}, {indexable: false}],
    "title-short" => [{title_chars: 29}, {title_chars: 30}, {title: "", title_chars: 0}, {indexable: false}],
    "unreachable" => [{status: nil, error: "dns"}, {error: "malformed"}, {links_in: 0, found_by: []}, {status: 200}]
  }.freeze
  LINK_RULES = {
    "blocked-resource" => {robots_allowed: false}, "image-broken" => {status: 404}, "image-heavy" => {bytes: 200_001},
    "image-name" => {url: "http://a.test/IMG_1234.jpg"}, "hreflang-sets-differ" => {},
    "canonical-to-missing" => {status: 404}, "hreflang-no-return" => {},
    "hreflang-not-canonical" => {canonical: "http://a.test/z"}, "hreflang-to-blocked" => {robots_allowed: false},
    "hreflang-to-missing" => {status: 404},
    "hreflang-to-noindex" => {noindex: true}, "hreflang-to-redirect" => {status: 301},
    "canonical-to-blocked" => {robots_allowed: false}, "canonical-to-noindex" => {noindex: true},
    "link-to-failing" => {status: 503}, "canonical-to-redirect" => {
      status: 301, final_url: "http://a.test/z"
    }, "link-to-missing" => {status: 404},
    "link-to-redirect" => {
      status: 301, final_url: "http://a.test/z", final_status: 200
    }, "outbound-missing" => {status: 404}
  }.freeze

  # These only say which pages share a value; the store finds them.
  SHARED_VALUES =
    %w[case-variants description-duplicate h1-duplicate index-file-variants slash-variants title-duplicate].freeze
  ELSEWHERE = %w[image-no-alt mixed-content redirect-many-to-one resource-broken].freeze

  def link_rule(code) = Faults::Registry.fetch(code).new(THRESHOLDS)

  def subject(**changes) = Faults::Subject.new(**SOUND, **changes)

  def told(code, **changes) = Faults::Registry.fetch(code).new(THRESHOLDS).call(subject(**changes))

  PAGE_RULES.each do |code, (speaks, *silences)|
    define_method("test_#{code.tr("-", "_")}_speaks_where_it_should_and_only_there") do
      assert_equal [code], told(code, **speaks).map(&:code), speaks
      assert_empty told(code), "a sound page"
      silences.each { |silence| assert_empty told(code, **speaks, **silence), silence }
    end
  end

  LINK_RULES.each do |code, target|
    define_method("test_#{code.tr("-", "_")}_names_the_page_and_what_it_leads_to") do
      fault = Faults::Registry.fetch(code).new(THRESHOLDS).check(
        subject, subject(url: target.fetch(:url, "http://a.test/t"), **target.except(:url)),
        [{text: "here", place: "main"}], **(Faults::Registry.fetch(code).once? ? {targets: 1} : {})
      )
      assert_equal [
        code, "http://a.test/x", target.fetch(:url, "http://a.test/t")
      ], [fault.code, fault.url, fault.about]
    end
  end

  def test_an_outbound_link_that_only_refuses_crawlers_is_no_fault
    rule = Faults::Registry.fetch("outbound-missing").new(THRESHOLDS)

    [{status: 403}, {status: 429}, {status: 500}, {status: nil, error: "timeout"}].each { |target|
      assert_nil rule.check(subject, subject(url: "http://b.test/", **target), []), target
    }
    refute_nil rule.check(subject, subject(url: "http://b.test/", status: nil, error: "dns"), [])
  end

  def test_images_speak_by_their_size_their_name_and_a_missing_alt_only
    assert_nil link_rule("image-heavy").check(subject, subject(bytes: 200_000), [])
    assert_nil link_rule("image-name").check(subject, subject(url: "http://a.test/anchor-light-1934.jpg"), [])
    assert_nil link_rule("image-no-alt").check(subject, subject(url: "http://a.test/i.png"), [{text: ""}])
    refute_nil link_rule("image-no-alt").check(
      subject, subject(url: "http://a.test/i.png"), [{text: "Lamp"}, {text: nil}]
    )
  end

  def test_only_a_page_over_https_can_have_mixed_content
    picture = subject(url: "http://a.test/i.png")
    assert_nil link_rule("mixed-content").check(subject, picture, [])
    assert_equal "http://a.test/i.png", link_rule("mixed-content").check(
      subject(url: "https://a.test/x"), picture, []
    ).about
  end

  def test_a_page_that_says_nofollow_is_told_once
    assert_equal [nil], told(
      "nofollow-internal", nofollow: true, unfollowed: %w[http://a.test/y http://a.test/z]
    ).map(&:about)
    assert_equal %w[http://a.test/y http://a.test/z], told(
      "nofollow-internal", unfollowed: %w[http://a.test/y http://a.test/z]
    ).map(&:about)
  end

  def test_data_that_lack_something_are_named_with_what
    product = {
      "syntax" => "json-ld", "types" => ["Product"],
      "properties" => {
        "name" => ["MS-40"],
        "offers" => [{"syntax" => "json-ld", "types" => ["Offer"], "properties" => {"price" => ["640"]}}]
      }
    }
    assert_equal ["Offer without priceCurrency or " \
      "priceSpecification"], told("data-invalid", data: [product]).map(&:about)
  end

  def test_so_many_redirects_to_one_target_are_too_many
    rule = Faults::Registry.fetch("redirect-many-to-one").new(THRESHOLDS)
    values = {value: "http://a.test/", first: "http://a.test/1", second: "http://a.test/2"}
    shared = ->(pages) { Faults::SetRule::Shared.new(**values, pages: pages) }
    assert_nil rule.check(subject(**MOVED), shared.call(20))
    assert_equal "http://a.test/", rule.check(subject(**MOVED), shared.call(21)).about
  end

  def test_what_frames_a_page_makes_it_no_less_thin
    assert_equal [{words: 4}], told("thin", words: 970, main_words: 4).map(&:detail)
  end

  def test_pages_that_share_a_title_name_the_first_other_one
    rule = Faults::Registry.fetch("title-duplicate").new(THRESHOLDS)
    shared = Faults::SetRule::Shared.new(value: "Lamps", pages: 3, first: "http://a.test/1", second: "http://a.test/2")

    urls = %w[http://a.test/1 http://a.test/2 http://a.test/3]
    assert_equal urls.values_at(1, 0, 0), urls.map { |url| rule.check(subject(url: url), shared).about }
  end

  def test_the_table_of_rules_is_that_of_the_rule_files
    made = `#{IronTrellis::ROOT.join("bin/rules")} --print`
    assert_equal IronTrellis::ROOT.join("docs/rules.md").read, made, "run bin/rules"
  end

  def test_every_rule_says_why_how_to_mend_it_and_where_it_comes_from
    Faults::Registry.all.each do |rule|
      assert_includes Faults::Rule::GRADES, rule.grade, rule.code
      [rule::WHY, rule::FIX, rule::SOURCE].each { |text| refute_empty text, rule.code }
      assert_match(/\A(?:[A-Z]|robots\.txt|https )[^.]*(?:\.txt[^.]*)?\z/, rule.title, rule.code)
      assert_operator rule.title.length, :<=, 60, rule.code
    end
    assert_empty Faults::Registry.all.map(&:title).tally.select { |_, times| times > 1 }
    tried = [*PAGE_RULES.keys, *LINK_RULES.keys, *SiteRulesTest::CODES, *ELSEWHERE, *SHARED_VALUES]
    # Those of evidence are tried on a site with evidence (EvidenceJudgingTest).
    by_evidence = Faults::EvidenceRule.all + Faults::GroupRule.all
    assert_equal (Faults::Registry.all - by_evidence).map(&:code), tried.sort
  end

  def test_a_fault_is_known_again_by_site_code_url_and_what_it_is_about
    fault = told("not-found", status: 404).first
    assert_equal fault.key(1), told("not-found", status: 404, links_in: 9).first.key(1)
    refute_equal fault.key(1), fault.key(2)
    other = fault.dup.tap { |one| one.about = "http://a.test/other" }
    refute_equal fault.key(1), other.key(1)
    assert_equal other.key(1).to_s, Faults::Key.in(1, other.to_h.slice(:code, :url, :about).transform_keys(&:to_s))
    assert_equal "7", Faults::Key.in(1, {"code" => "not-found", "key" => "7"})
  end
end

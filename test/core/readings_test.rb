# frozen_string_literal: true

require_relative "../test_helper"

# Small readings of the core: words, redirect chains, depth, groups, sitemaps, likely causes.
class ReadingsTest < Minitest::Test
  Core = IronTrellis::Core

  def test_words_by_uax_29
    {
      "can't stop" => 2,
      "3.14 and 1,000" => 3,
      "a.b e.g. x" => 3,
      "foo_bar _ -" => 1,
      "rock'n'roll — naïve café" => 3,
      "日本語" => 3,
      "l’été, x—y" => 3,
      "" => 0,
      "«Привет, мир»" => 2,
      "soft\u00ADhyphen" => 1,
      "ひらがな" => 4,
      "C++ 100% 5€" => 3
    }.each { |text, words| assert_equal words, Core::Content::Words.count(text), text }
  end

  def test_the_quick_count_agrees_with_the_whole_rule
    text = "Été d’hiver — “quoted” words, 3.5 m; a.b, x'y · e-mail ok? ÀÉ×2 1–2 …"

    assert_equal text.scan(Core::Content::Words::WORD).size, Core::Content::Words.count(text)
  end

  def test_a_chain_is_followed_to_its_end
    chain = Core::Redirects::Chain.follow("a", {"a" => "b", "b" => "c"}.method(:[]))

    assert_equal [%w[b c], "c", false], [chain.hops, chain.final, chain.loop?]
    assert_equal [[], "z"], Core::Redirects::Chain.follow("z", {}.method(:[])).to_a.first(2)
  end

  def test_a_loop_is_cut_at_the_first_repeat
    loop = Core::Redirects::Chain.follow("a", {"a" => "b", "b" => "c", "c" => "b"}.method(:[]))

    assert_equal [%w[b c], nil, true], loop.to_a
    assert Core::Redirects::Chain.follow("a", {"a" => "a"}.method(:[])).loop?
  end

  def test_depth_is_the_fewest_clicks_and_redirects_cost_nothing
    depths =
      Core::Graph::Depths.of(
        starts: {
          1 => 0
        },
        links: {1 => [2, 3], 3 => [4], 5 => [6], 2 => [6]}.method(:[]),
        redirects: {
          2 => 5,
          4 => 1
        }
      )

    assert_equal({1 => 0, 2 => 1, 5 => 1, 3 => 1, 6 => 2, 4 => 2}, depths)
  end

  def test_depth_survives_loops
    assert_equal(
      {1 => 0, 2 => 0},
      Core::Graph::Depths.of(starts: {1 => 0}, links: {1 => [1]}.method(:[]), redirects: {1 => 2, 2 => 1})
    )
  end

  def test_groups_are_first_folders_unless_a_pattern_matches_first
    group = Core::Groups::Grouping::Group.new(name: "Tags", patterns: [Core::Url::Pattern.new("*/tag/*")])
    grouping = Core::Groups::Grouping.new(groups: [group], main_host: "a.test")

    names =
      %w[
        http://a.test/lamps/x
        http://a.test/about
        http://a.test/
        http://b.test/x/y
        http://a.test/lamps/tag/z
        http://a.test/x?y=/z
      ].map { |url| grouping.name(url) }
    assert_equal ["/lamps/", "/", "/", "b.test/x/", "Tags", "/"], names
  end

  def test_a_urls_own_intent_beats_its_groups_and_wanted_follows
    group = Core::Groups::Grouping::Group.new(name: "Tags", patterns: [Core::Url::Pattern.new("*/tag/*")])
    intents =
      Core::Groups::Intents.new(
        grouping: Core::Groups::Grouping.new(groups: [group], main_host: "a.test"),
        rules: {
          "http://a.test/tag/best" => {
            "intent" => "undecided",
            "follow" => false
          },
          "*/tag/*" => {
            "intent" => "keep_out"
          },
          "*/tag/good" => {
            "intent" => "index"
          },
          "*/tag/best" => {
            "intent" => "index"
          }
        },
        groups: {
          "Tags" => {
            "intent" => "index"
          },
          "/n/" => {
            "intent" => "keep_out"
          }
        },
        key_pages: ["http://a.test/key"]
      )

    assert_equal %w[index keep_out undecided undecided keep_out],
      %w[
        http://a.test/tag/good
        http://a.test/tag/x
        http://a.test/y
        http://a.test/tag/best
        http://a.test/n/1
      ].map { |url| intents.of(url) }
    assert_equal [%w[url http://a.test/tag/best], %w[pattern */tag/good], %w[group /n/]],
      %w[http://a.test/tag/best http://a.test/tag/good http://a.test/n/1].map { |url|
        intents.rule_for(url).to_a.last(2)
      }
    assert_equal [false, nil], [intents.follow("http://a.test/tag/best"), intents.follow("http://a.test/n/1")]
    assert intents.wanted?("http://a.test/tag/good", listed: false)
    refute intents.wanted?("http://a.test/tag/x", listed: true)
    assert intents.wanted?("http://a.test/y", listed: true)
    refute intents.wanted?("http://a.test/y", listed: false)
    assert intents.wanted?("http://a.test/key", listed: false)
  end

  def sitemap(xml) =
    Core::Sitemaps::Reader.new(
      Core::Url::NormalForm.parse("http://a.test/sitemap.xml"),
      now: Time.utc(2026, 6, 1)
    ).call(xml)

  def test_a_sitemap_is_read_with_its_languages
    read = sitemap(<<~XML)
      <?xml version="1.0"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"
        xmlns:xhtml="http://www.w3.org/1999/xhtml">
      <url><loc> http://a.test/x?a=1&amp;b=2 </loc><lastmod>2026-01-01</lastmod>
      <xhtml:link rel="alternate" hreflang="da" href="http://da.test/"/></url>
      <url><loc><![CDATA[http://a.test/y]]></loc></url><url><lastmod>x</lastmod></url></urlset>
    XML

    assert_equal ["http://a.test/x?a=1&b=2", "http://a.test/y"], read.entries.map(&:url)
    assert_equal [{code: "da", url: "http://da.test/", source: "sitemap"}], read.entries.first.alternates
    assert_equal ["urlset", "2026-01-01"], [read.kind, read.entries.first.lastmod]
  end

  def test_an_index_names_its_files_and_broken_xml_gives_what_came_before
    assert_equal ["index", ["http://a.test/1.xml"]],
      sitemap("<sitemapindex><sitemap><loc>/1.xml</loc></sitemap></sitemapindex>").to_a.values_at(0, 2)
    broken = sitemap("<urlset><url><loc>http://a.test/1</loc></url><url><loc>http://a.test/2")
    assert_equal ["http://a.test/1"], broken.entries.map(&:url)
    assert_includes broken.flaws.map(&:code), "sitemap-malformed"
  end

  def test_a_file_that_declares_entities_is_refused
    bomb =
      '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>' \
      "<urlset><url><loc>http://a.test/&b;</loc></url></urlset>"

    assert_empty sitemap(bomb).entries
    assert_match(/entities/, sitemap(bomb).flaws.first.about)
  end

  def test_likely_causes_of_missing_targets
    cause = ->(target) { Core::Faults::LikelyCause.of("http://www.a.test/x", target) }

    assert_match(/scheme/, cause.call("http://www.a.test/www.a.test/y"))
    assert_match(/scheme/, cause.call("http://www.a.test/dir/www.other.test/y"))
    assert_match(/doubled/, cause.call("http://www.a.test/lamps/ms/lamps/ms/"))
    assert_match(/space/, cause.call("http://www.a.test/lamps/ms%20"))
    assert_nil cause.call("http://www.a.test/lamps/ms-33")
  end

  def test_settings_tell_every_problem_at_once
    error = assert_raises(Core::Settings::Problems) do
      Core::Settings::Crawl.new(
        "start_urls" => ["a"],
        "hosts" => ["http://b"],
        "limit" => 0,
        "exclude" => ["/(/"],
        "resolve" => {
          "x" => "y"
        },
        "agent" => "a b"
      )
    end

    assert_equal %w[start_urls hosts exclude limit agent resolve], error.data[:problems].map { |one| one[:field] }
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# From what is to what shall be: proposals, what they would change, and the exact words for it.
class DecidingTest < Minitest::Test
  Core = IronTrellis::Core

  LIMITS = Core::Settings::Thresholds.default

  def page(path, group: "/a/", title: nil, own: 0.8, words: 300, listed: false, key: false, **known)
    Core::Intents::Proposals::Page.new(
      url: "http://a.test#{path}",
      title: title,
      group: group,
      words: words,
      unique_share: own,
      indexable: true,
      in_sitemap: listed,
      key_page: key,
      kind: "html",
      content_type: "text/html",
      links_in: 3,
      anchors: [],
      limits: LIMITS,
      **known
    )
  end

  def found(*pages, decided: {}) = Core::Intents::Proposals.new(pages, decided).call

  def proposals(*pages, decided: {}) =
    found(*pages, decided: decided).map do |one|
      [one.group, one.urls&.map { |url| url.sub("http://a.test", "") }, one.intent]
    end

  def test_the_same_is_proposed_in_the_same_order_whatever_order_pages_came_in
    plain = Array.new(9) { |at| page("/a/#{at}", listed: true) }
    sorted = %w[price height].map { |by| page("/a/?sort=#{by}", canonical_to_bare: true) }
    later = (2..4).map { |number| page("/a/?page=#{number}", paged: true) }
    all = plain + sorted + later
    told = proposals(*all)
    assert_equal [3, 2], told.filter_map { |_, urls, _| urls&.size }, "what is of more pages comes first"
    4.times { |seed| assert_equal told, proposals(*all.shuffle(random: Random.new(seed))) }
  end

  # An address that may be of a kind, and what bears it out.
  BORNE_OUT = {
    "/login" => ["account", {password: true}],
    "/shop/checkout" => ["basket", {title: "Your basket"}],
    "/thank-you" => ["thank-you", {title: "Thank you for your order"}],
    "/search" => ["search", {formed: true}],
    "/x?q=lamp" => ["search", {title: "Search results for lamp"}],
    "/journal/feed" => ["feed", {kind: "other", content_type: "application/rss+xml"}],
    "/lamps?sort=price" => ["filtered or sorted list", {canonical_to_bare: true}],
    "/lamps?page=2" => ["later page of a list", {paged: true}],
    "/2025/03/" => ["archive by date", {title: "March 2025"}],
    "/tags/oil" => ["tag archive", {own: 0.1}],
    "/author/ines" => ["author archive", {title: "Posts by Ines"}],
    "/photos/lamp" => ["image page", {words: 20}],
    "/x/print" => ["print view", {copy: true}],
    "/lamps?metal=brass" => ["view by parameters", {title: "Lamps", bare_title: "Lamps"}]
  }.freeze

  def test_a_kind_is_told_by_two_signs_and_not_by_its_address_alone
    BORNE_OUT.each do |path, (name, facts)|
      assert_equal name, Core::Intents::Kinds.of(page(path, **facts))&.first&.name, path
      assert_nil Core::Intents::Kinds.of(page(path, title: "A page")), path
    end
  end

  def test_what_only_looks_like_a_kind_is_none
    {
      "/?p=123" => {
        title: "Lamps and how to trim them"
      },
      "/s/lamps" => {
        own: 0.1
      },
      "/profile/ines" => {
        title: "Ines Rasten"
      },
      "/thank-you-notes" => {
        title: "Thank you notes: 40 ideas"
      },
      "/x" => {
        title: "Thank you for your order"
      },
      "/makers/ines" => {
        own: 0.1
      },
      "/topics/oil" => {
        own: 0.1
      },
      "/2025/03/14/storm" => {
        own: 0.1
      },
      "/accounting" => {
        password: true
      },
      "/research" => {
        formed: true
      }
    }.each { |path, facts| assert_nil Core::Intents::Kinds.of(page(path, **facts)), path }
  end

  def test_archives_of_excerpts_are_kept_out_and_those_with_text_of_their_own_left_open
    thin = (1..4).map { |number| page("/tags/#{number}", group: "/tags/", own: 0.1) }
    rich = (1..4).map { |number| page("/author/#{number}", group: "/author/", own: 0.7, title: "Posts by #{number}") }
    assert_equal [["/tags/", nil, "keep_out"]], proposals(*thin, *rich)
  end

  def test_groups_that_sitemaps_list_are_wanted_but_for_single_pages_of_another_kind
    assert_equal [["/a/", nil, "index"], ["/a/", ["/a/thank-you"], "keep_out"]],
      proposals(
        page("/a/1", listed: true),
        page("/a/2", listed: true),
        page("/a/thank-you", title: "Thank you!")
      )
  end

  # Every post of the blog is listed, though other pages quote nearly all that it says.
  def test_what_sitemaps_list_is_never_dropped_by_a_blanket_rule
    posts = (1..6).map { |number| page("/blog/#{number}", group: "/blog/", own: 0.03, listed: true) }
    blog = found(*posts)
    assert_equal [["index", ["6 of the 6 that answer are listed in a sitemap."]]],
      blog.map { |one| [one.intent, one.reasons] },
      "a small share of its own is no reason to index"
    tags =
      (1..6).map do |number|
        page("/tags/#{number}", group: "/tags/", own: 0.074, listed: number == 1, key: number == 2, title: "Tag")
      end
    proposal = found(*tags).first
    assert_equal ["keep_out", %w[http://a.test/tags/1 http://a.test/tags/2], false],
      [proposal.intent, proposal.except, proposal.sure]
    assert_includes proposal.reasons, "At the median page 7.4 % of the words are found on no other page."
    assert_includes proposal.reasons,
      "2 pages of it are listed in a sitemap or marked as key pages and stay as they are."
    assert_includes proposal.reasons, "6 of 6 are told by the address and the title."
  end

  def test_limits_are_those_of_the_site
    strict = Core::Settings::Thresholds.new({"little_unique_share" => 0.05})
    tags = (1..4).map { |number| page("/x/#{number}", group: "/x/", own: 0.1).tap { |one| one.limits = strict } }
    assert_empty proposals(*tags)
    assert_equal [["/x/", nil, "keep_out"]], proposals(*tags.each { |one| one.limits = LIMITS })
  end

  def test_what_was_decided_is_left_as_it_is
    assert_empty proposals(page("/a/1", listed: true), decided: {"/a/" => "keep_out"})
  end

  def change(pages, linked = {})
    made =
      pages.to_h do |path, fields|
        page = Core::Intents::Change::Page.new(
          url: path,
          direct: true,
          indexable: true,
          listable: true,
          before: "undecided",
          after: "undecided",
          **fields
        )
        [path, page]
      end
    told =
      made.map do |path, page|
        sources = linked.fetch(path, []).map { |source| made.fetch(source) }
        [path, Core::Intents::Change.of(page) + Core::Intents::Change.reached(page, sources)]
      end
    Core::Intents::Change.names
      .to_h { |name| [name, told.filter_map { |path, names| path if names.include?(name) }] }
      .reject { |_, found| found.empty? }
  end

  def test_what_other_wishes_would_change
    pages = {
      "/tag" => {
        after: "keep_out",
        listed: true
      },
      "/only" => {
        wanted_after: true,
        listed: true
      },
      "/home" => {
        wanted_after: true,
        listed: true
      },
      "/shut" => {
        after: "index",
        wanted_after: true,
        noindex: true,
        indexable: false
      }
    }
    assert_equal(
      {
        gets_noindex: ["/tag"],
        loses_noindex: ["/shut"],
        joins_sitemaps: ["/shut"],
        leaves_sitemaps: ["/tag"],
        links_useless: ["/tag"],
        cut_off: ["/only"]
      },
      change(pages, "/only" => ["/tag"], "/tag" => ["/home"])
    )
  end

  def directives(**fields)
    page =
      Core::Directives::DirectiveList::Page.new(
        url: "http://a.test/x",
        group: "/",
        kind: "html",
        intent: "undecided",
        wanted: false,
        allowed: true,
        direct: true,
        noindex: false,
        nofollow: false,
        **fields
      )
    Core::Directives::DirectiveList.of([page]).map { |item| [item.step, item.where, item.action, item.text] }
  end

  def test_a_stray_gets_a_tag_and_a_document_a_header
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex">']], directives(intent: "keep_out")
    assert_equal [[2, "html", "add", '<meta name="robots" content="noindex, nofollow">']],
      directives(intent: "keep_out", follow: false)
    assert_equal [[2, "header", "add", "X-Robots-Tag: noindex"]], directives(intent: "keep_out", kind: "pdf")
    assert_empty directives(intent: "keep_out", noindex: true)
  end

  def test_a_block_is_lifted_before_a_noindex_can_be_seen
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"]],
      directives(
        intent: "keep_out",
        noindex: true,
        allowed: false,
        robots_line: 3,
        robots_rule: "Disallow: /x"
      )
    assert_equal [[1, "robots.txt", "remove", "Disallow: /x"], [2, "header", "remove", "X-Robots-Tag: noindex"]],
      directives(
        wanted: true,
        noindex: true,
        noindex_where: "X-Robots-Tag, line 4 of the headers",
        allowed: false,
        robots_rule: "Disallow: /x"
      ).map { |item| item }
  end

  def test_a_chosen_canonical_is_written_out_for_the_kind_of_document
    assert_equal [[2, "html", "add", '<link rel="canonical" href="https://b.test/?a&amp;b">']],
      directives(chosen: "https://b.test/?a&b")
    assert_equal [[2, "header", "add", 'Link: <http://b.test/>; rel="canonical"']],
      directives(chosen: "http://b.test/", kind: "pdf")
    assert_empty directives(chosen: "http://b.test/", canonical: "http://b.test/")
  end

  def test_a_noindex_and_a_canonical_to_another_page_are_not_given_together
    page =
      Core::Directives::DirectiveList::Page.new(
        url: "http://a.test/x",
        group: "/",
        kind: "html",
        intent: "keep_out",
        wanted: false,
        allowed: true,
        direct: true,
        noindex: false,
        nofollow: false,
        chosen: "http://a.test/y"
      )
    items = Core::Directives::DirectiveList.of([page])
    assert_equal [["add", '<link rel="canonical" href="http://a.test/y">']],
      items.map { |item| [item.action, item.text] }
    assert_match(/Choose the canonical where/, items.first.warning)
    page.intent, page.noindex = "undecided", true
    assert_match(/take the noindex out/, Core::Directives::DirectiveList.of([page]).first.warning)
    page.noindex = false
    assert_nil Core::Directives::DirectiveList.of([page]).first.warning
  end

  def test_lines_of_a_robots_txt_in_words
    lines =
      Core::Robots::Meaning.of("# ours\nUser-agent: *\nDisallow: /private\nAllow: /*.css$\nDisalow: /x\nDisallow:\n")
    assert_equal [
      nil,
      "For every crawler that isn't named elsewhere:",
      "Not to be fetched: what begins with /private",
      "May be fetched even so: just what ends so: / anything .css",
      nil,
      "All may be fetched.",
      nil
    ],
      lines.map(&:meaning)
    assert_equal "no crawler knows the word “disalow”", lines[4].flaw
  end

  def test_a_draft_against_the_file_that_is_there
    lines = Core::Robots::Difference.of("a\nb\nc\n", "a\nx\nc\nd\n")
    assert_equal [%w[same a], %w[removed b], %w[added x], %w[same c], %w[added d]], lines.map(&:to_a)
  end
end

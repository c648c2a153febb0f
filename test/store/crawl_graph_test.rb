# frozen_string_literal: true

require_relative "../test_helper"

class CrawlGraphTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Sql = IronTrellis::Store::Postgres::Sql
  TYPES = IronTrellis::Store::Pages::FactsRows::TYPES

  def setup
    super
    @crawl = plain_crawl
    @crawl.frontier.add(entries(@crawl, *"a".."h"))
  end

  # @param links [Array<Array>] source, target, type (anchor unless said otherwise), followed (true)
  def link(*links)
    rows =
      links.each_with_index.map do |(source, target, type, followed), position|
        [
          @crawl.id,
          position,
          id_of(source),
          id_of(target),
          IronTrellis::Store::Pages::FactsRows::TYPES.fetch(type || "anchor"),
          followed != false,
          true
        ]
      end
    IronTrellis::Store::Postgres::BulkCopy.new(
      "links",
      %w[crawl_id position source_id target_id type followed internal]
    ).call("links_#{@crawl.id}", rows)
  end

  def answer(name, **facts)
    Sql.run(
      "INSERT INTO page_facts_#{@crawl.id} (crawl_id, url_id, #{facts.keys.join(", ")}) VALUES ($1, " \
      "$2, #{facts.keys.each_index.map { |index| "$#{index + 3}" }.join(", ")})",
      [@crawl.id, id_of(name), *facts.values]
    )
  end

  def depths =
    IronTrellis::Store::Judging::CrawlGraph
      .new(@crawl)
      .depths([id_of("a")])
      .transform_keys { |id| [id.to_s(16)].pack("H*") }

  def test_depth_is_the_fewest_followed_clicks_from_the_start
    link(%w[a b], %w[b c], %w[c d], %w[a d], %w[d e], ["a", "f", "anchor", false], %w[a g image], ["b", "h", "frame"])

    assert_equal({"a" => 0, "b" => 1, "d" => 1, "c" => 2, "e" => 2, "h" => 2}, depths)
  end

  def test_a_redirect_costs_no_click_and_a_circle_ends
    link(%w[a b], %w[c d], %w[d a], %w[d d])
    answer("b", redirect_to_id: id_of("c"))

    assert_equal({"a" => 0, "b" => 1, "c" => 1, "d" => 2}, depths)
  end

  def test_what_leads_out_of_the_crawl_is_left_out
    link(%w[a b], %w[b zz])

    assert_equal %w[a b], depths.keys.sort
  end

  # A canonical's target is known by its address.
  def id_of(name) =
    (name == "true") ? IronTrellis::Core::Url::NormalForm.id(@crawl.site_id, "http://store.test/true") : super

  # a and true stand for themselves: b leads to true, d names it; f is no page, g is missing, h is linked to by nofollow
  # only.
  def test_authority_passes_through_redirects_and_canonicals
    @crawl.frontier.add(entries(@crawl, "true"))
    link(%w[a b], %w[a b], %w[a d], %w[d a], %w[a f], %w[a g], ["a", "h", "anchor", false], %w[true true])
    %w[a true h].each { |name| answer(name, kind: "html", status: 200) }
    answer("b", kind: "html", status: 301, redirect_to_id: id_of("true"))
    answer("d", kind: "html", status: 200, canonical: "http://store.test/true", canonical_state: "other")
    answer("f", kind: "image", status: 200)
    answer("g", kind: "html", status: 404)
    shares = IronTrellis::Store::Judging::CrawlGraph.new(@crawl).authority

    assert_equal %w[a h true].map { |name| id_of(name) }.sort, shares.keys.sort
    assert_in_delta shares[id_of("a")], shares[id_of("true")], 1e-6, "a leads there, and it, by way of d, to a"
    assert_operator shares[id_of("a")], :>, 5 * shares[id_of("h")]
    assert_in_delta 1.0, shares.values.sum, 1e-9
  end

  def test_one_link_is_enough_and_links_to_oneself_and_out_are_none
    %w[a b].each { |name| answer(name, kind: "html", status: 200) }
    link(%w[a a], %w[a c])
    assert_equal [0.5, 0.5], IronTrellis::Store::Judging::CrawlGraph.new(@crawl).authority.values

    link(%w[a b])
    shares = IronTrellis::Store::Judging::CrawlGraph.new(@crawl).authority
    assert_operator shares[id_of("b")], :>, shares[id_of("a")]
  end

  def test_without_links_all_pages_share_alike
    %w[a b].each { |name| answer(name, kind: "html", status: 200) }

    assert_equal [0.5, 0.5], IronTrellis::Store::Judging::CrawlGraph.new(@crawl).authority.values
  end

  # References lead on as well where the crawl keeps to its limit, and what a sitemap lists stands one step from the
  # start.
  def test_the_crawl_counts_depth_by_references_and_sitemaps_too
    start = IronTrellis::Core::Url::NormalForm.id(@crawl.site_id, "http://store.test/")
    @crawl.frontier.add(
      [
        IronTrellis::Store::Crawling::Frontier::Entry.new(
          id: start,
          url: "http://store.test/",
          purpose: :page,
          depth: 0,
          hops: 0,
          host_id: host_of(@crawl)
        )
      ]
    )
    link(%w[f g canonical], %w[g h])
    Sql.run(
      "INSERT INTO sitemap_entries_#{@crawl.id} (crawl_id, sitemap_file_id, url_id, position) VALUES ($1, 1, $2, 0)",
      [@crawl.id, id_of("f")]
    )

    assert_equal(
      {start => 0, id_of("f") => 1, id_of("g") => 2, id_of("h") => 3},
      IronTrellis::Store::Judging::CrawlGraph.new(@crawl).crawl_depths
    )
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# What a dossier holds beside the ledger: the stored source, copies, structured data, and a fetch made now.
class DossierTest < Minitest::Test
  include ApiHere

  def path(name)
    where = {all: [{field: "url", op: "is", value: "http://www.skerrylamps.example#{name}"}]}
    "/crawls/#{judged}/urls/#{call(
      :get, "/crawls/#{judged}/urls?where=#{CGI.escape(JSON.generate(where))}"
    )["rows"].first["url_id"]}"
  end

  def test_the_source_is_shown_with_the_lines_that_decide
    sign_up
    lines = call(:get, "#{path("/lamps/masthead/ms-55-copper")}/source")["lines"]
    told = lines.flat_map { |line| line["tells"].map { |one| [one, line["text"]] } }.to_h
    assert_equal '<meta name="robots" content="noindex, follow">', told["directive"]
    assert_equal %w[canonical description directive heading language title viewport],
      (told.keys - ["structured data"]).sort
    assert_empty call(:get, "#{path("/lamps/ms-40")}/source")["lines"]
    header = call(:get, path("/lamps/beacons/hb-6-quay"))
    assert_equal ["x-robots-tag: noindex"],
      header["header_lines"]
        .zip(header["header_marks"])
        .select { |_, tells| tells == ["directive"] }
        .map { |line, _| line.downcase }
  end

  def test_history_tells_what_each_crawl_saw
    sign_up
    seen = call(:get, "#{path("/lamps/masthead/ms-55-copper")}/history")["crawls"]
    # Other tests may have crawled the site again since.
    assert_equal [1, 200, "open"], seen.find { |one| one["crawl"] == judged }.values_at("number", "status", "stop")
    assert_equal seen.map { |one| one["number"] }.sort.reverse, seen.map { |one| one["number"] }
  end

  def test_copies_structured_data_and_headings
    sign_up
    near = call(:get, path("/guides/store-a-lamp-in-winter"))
    assert_equal [["http://www.skerrylamps.example/guides/store-a-lamp"], 1], [
      near["cluster"]["others"].map { |one| one["url"] }, near["cluster"]["total"]
    ]
    bronze = call(:get, path("/lamps/masthead/ms-70-bronze"))
    assert_equal ["Product", ["MS-70 in " \
      "bronze"]], [bronze["facts"]["data"].first["types"].first, bronze["facts"]["data"].first["properties"]["name"]]
    assert_match(/JSON-LD 2/, bronze["facts"]["data_problems"].first)
    assert_equal [[1, "MS-70 in bronze"], [2, "Looking after it"]], bronze["facts"]["outline"]
    assert_nil bronze["cluster"]
  end

  def test_a_fetch_made_now_as_a_crawler_and_as_a_visitor
    sign_up
    live = ->(name, as) { worked("#{path(name)}/live", {as: as}) }
    assert_equal [200, true, nil],
      live.call("/lamps/masthead/ms-55-copper", "crawler").values_at("status", "noindex", "blocked")
    assert_equal [200, 301, 301], live.call("/lamps/ms-40", "crawler")["hops"].map { |hop| hop["status"] }.reverse
    assert_match(/Disallow/, live.call("/lamps/spares/glass-red-fresnel", "crawler")["blocked"])
    assert_equal [nil, 200], live.call("/lamps/spares/glass-red-fresnel", "visitor").values_at("blocked", "status")
    call(:post, "#{path("/about")}/live", {as: "ghost"}, status: 400)
  end
end

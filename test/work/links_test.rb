# frozen_string_literal: true

require_relative "../test_helper"

# The table of links and that of images, of a small site.
class LinksTest < Minitest::Test
  include TestDatabase
  extend CrawlHere

  Links = IronTrellis::Store::Links
  AT = "http://small.example"
  PNG = [200, {"content-type" => "image/png"}, "x" * 40].freeze

  def self.page(body) =
    "<!doctype html><html lang=en><title>A page of the small site</title><body><nav><a " \
    "href=/>Home</a></nav><main>#{body}</main>"

  def self.crawled
    @crawled ||=
      crawl_here(
        SmallSite.new(
          "/" =>
            page(
              '<a href=/a>To A</a> <a href=/gone>Gone</a> <a href="http://other.example/x">Other</a><img src=/one.png>'
            ),
          "/a" =>
            page(
              "<a href=/gone rel=nofollow>Gone too</a> <a href=/gone></a> <a href=/moved>Moved</a>" \
              '<img src=/one.png alt="One"><img src=/two.png alt="">'
            ),
          "/moved" => [301, {"location" => "/a"}, ""],
          "/one.png" => PNG,
          "/two.png" => [200, {"content-type" => "image/png"}, "x" * 90]
        )
      )
  end

  def crawl = self.class.crawled

  def table(*conditions, **options) =
    Links::Table.new(
      crawl,
      where: {
        "all" => conditions.map { |field, op, value| {"field" => field, "op" => op, "value" => value} }
      },
      **options
    )

  def rows(...) = table(...).page[:rows]

  def paths(rows) = rows.map { |row| row.values_at("source", "text", "target").map { |text| text&.delete_prefix(AT) } }

  def test_who_links_to_what_is_missing_with_anchor_place_and_status
    gone = rows(["type", "is", "anchor"], ["target_status", "is", 404], sort: "source")

    assert_equal [["/", "Gone", "/gone"], ["/a", "Gone too", "/gone"], ["/a", "", "/gone"]], paths(gone)
    assert_equal [["main", true, 404, true], ["main", false, 404, true]],
      gone.first(2).map { |row| row.values_at("place", "followed", "target_status", "internal") }
    assert_equal ["#{AT}/a", 200],
      rows(["target_status", "is", 301], %w[type is anchor]).first.values_at(
        "target_final",
        "target_final_status"
      )
  end

  def test_all_links_of_a_page_and_to_a_page_are_found_by_its_address_and_counted
    assert_equal %w[/ /a /gone /one.png http://other.example/x],
      rows(["source", "is", "#{AT}/"], sort: "target").map { |row| row["target"].delete_prefix(AT) }.sort
    assert_equal [["/", "To A", "/a"]], paths(rows(["target", "is", "#{AT}/a"], ["type", "is", "anchor"]))
    assert_equal [3, 2, 1], table(["target", "is", "#{AT}/gone"]).totals.values_at("links", "pages", "targets")
    assert_equal [{"type" => "anchor", "links" => 3}], table(["target", "is", "#{AT}/gone"]).totals["types"]
  end

  def test_links_are_gathered_by_host_and_by_target
    outside = table(["internal", "is", false]).gathered("target_host")[:rows]
    missing = table(["target_status", "is", 404]).gathered("target")[:rows].first

    assert_equal [["other.example", 1]], outside.map { |row| row.values_at("value", "links") }
    assert_equal ["#{AT}/gone", 3, 2, 404], missing.values_at("value", "links", "pages", "status")
    assert_equal missing["url_id"], rows(["target", "is", "#{AT}/gone"]).first["target_id"]
  end

  def test_columns_that_are_none_are_refused_and_all_others_sort
    [[%w[wind is x]], [%w[target_status contains 4]]].each do |(field, op, value)|
      assert_raises(IronTrellis::Core::Error::InvalidInput) { table([field, op, value].flatten) }
    end
    assert_raises(IronTrellis::Core::Error::InvalidInput) { table(sort: "wind") }
    assert_raises(IronTrellis::Core::Error::InvalidInput) { table.gathered("wind") }
    Links::Fields
      .names
      .flat_map { |name| [name, "-#{name}"] }
      .each { |sort| assert_equal table.totals["links"], rows(sort: sort).size, sort }
    assert_equal table.columns_of_file.size, table.first.size
    assert_equal %w[source target], table(only: %w[source target]).columns_of_file
  end

  def test_images_tell_missing_from_empty_alt_texts_and_who_shows_them
    images = Links::Images.new(crawl).page

    assert_equal [["two.png", 90, 1, 0, 1, 0, nil], ["one.png", 40, 2, 1, 0, 1, "One"]],
      images[:rows].map { |row| row.values_at("name", "bytes", "pages", "missing", "empty", "given", "alt") }
    assert_equal [2, 130], images.values_at(:total, :bytes)
    assert_equal %w[one.png], Links::Images.new(crawl, alt: "missing").page[:rows].map { |row| row["name"] }
    assert_equal %w[two.png], Links::Images.new(crawl, text: "two").map { |row| row[1] }
    Links::Images::SORTS.each { |sort| assert_equal 2, Links::Images.new(crawl, sort: "-#{sort}").page[:rows].size }
    assert_raises(IronTrellis::Core::Error::InvalidInput) { Links::Images.new(crawl, sort: "alt; DROP") }
  end
end

# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/evidence_site"

# The pictures of a page at the desk, with what an index tells of their own addresses.
class PicturesTest < Minitest::Test
  include TestDatabase
  include CrawlHere
  include EvidenceSite

  HOME = "<html lang=en><head><title>Lamps</title></head><body><h1>Lamps</h1><img src=/a.png alt='An anchor light'>" \
         "<img src=/IMG_1.png><a href=/other>Other</a></body></html>"
  PAGES = {
    "/" => HOME,
    "/other" => "<html lang=en><head><title>Other</title></head><body><img src=/a.png alt=A></body></html>",
    "/a.png" => [200, {"content-type" => "image/png"}, "png"],
    "/IMG_1.png" => [200, {"content-type" => "image/png"}, "png of more"]
  }.freeze

  def test_what_searches_showed_of_a_picture_is_told_beside_it_and_nothing_of_those_that_they_did_not
    crawl = crawled(PAGES)
    import("pages", "url,clicks,impressions,position,date\nhttp://small.example/a.png,3,40,4.26,2026-11-20\n")
    run = IronTrellis::Work::Judging::Judgement.alone(crawl, clock: -> { Time.now })

    shown, dull = pictures(run)
    assert_equal [{"clicks" => 3, "impressions" => 40, "position" => 4.3}, nil], [shown, dull].map { |one| one[:found] }
    assert_equal [2, 1], [shown, dull].map { |one| one[:used_by] }
    assert_equal [nil, "Lamps"], [shown, dull].map { |one| one[:proposed_alt] }
    assert_equal [nil, "lamps.png"], [shown, dull].map { |one| one[:proposed_name] }
  end

  private

  def pictures(run)
    url = "http://small.example/"
    page = IronTrellis::Work::Desk::OwnPage.of(run.crawl, IronTrellis::Core::Url::NormalForm.id(@site.id, url), url)
    IronTrellis::Work::Desk::Pictures.new(run, page, ["brass lamps"]).call
  end
end

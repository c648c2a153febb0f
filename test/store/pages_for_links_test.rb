# frozen_string_literal: true

require_relative "../test_helper"

# Of which pages, and of what on them, links that should be are looked for.
class PagesForLinksTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  NAV = "<nav><a href=/>Lamps</a> <a href=/oil>Oil</a></nav>"
  PAGES = {
    "/" => "#{NAV}<main><h1>All our lamps</h1><p>They burn <a href=/oil>oil</a> at night.</p>" \
           "<ul><li><a href=/oil>Oil lamps</a></li><li><a href=/oil>Of oil</a> Oil is dear this year.</li></ul></main>",
    "/oil" => "#{NAV}<main><h1>Oil</h1><p>Colza is pressed.</p></main>",
    "/bare" => "#{NAV}<main></main>"
  }.freeze

  def html(body, title) =
    "<html lang=en><head><title>#{title}</title></head><body>#{body}<footer><a href=/bare>-</a></footer></body></html>"

  def test_neither_headings_nor_links_nor_what_stands_around_can_carry_a_link
    site = SmallSite.new(PAGES.to_h { |path, body| [path, html(body, "Page #{path}")] })
    found = IronTrellis::Store::MissingLinks::Pages.new(crawl_here(site).verdict_run).call

    blocks = found.to_h { |page| [page.url.delete_prefix("http://small.example"), page.blocks] }
    assert_equal(
      {
        "/" => ["They burn oil at night.", "Of oil Oil is dear this year."],
        "/oil" => ["Colza is pressed."],
        "/bare" => []
      },
      blocks
    )
    assert_equal [["Oil", "Page /oil"], []], found.find { |page| page.url.end_with?("/oil") }.to_h
      .values_at(:phrases, :queries)
  end
end

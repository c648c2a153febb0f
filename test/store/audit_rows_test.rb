# frozen_string_literal: true

require_relative "../test_helper"

# Links as the audit's file has them, which the database writes itself.
class AuditRowsTest < Minitest::Test
  include TestDatabase
  include FaultsTold

  BODY = <<~HTML
    <nav><a href="/a" rel=" prev\t nofollow\nvia ">Vé “q” \\ ü</a></nav>
    <main><a href="/b?x=1&amp;y=%22">say "so"</a></main><footer><img src="/v.png" alt=""></footer>
  HTML

  def test_links_have_the_words_of_their_rel_their_texts_and_their_places
    crawl = crawl_here(SmallSite.new("/" => page("Home", BODY, head: '<link rel="next" href="/n">')))
    lines = []
    IronTrellis::Store::Reports::AuditRows.new(crawl, nil).links { |line| lines << line }

    assert(lines.all? { |line| line.end_with?("}\n") && line.valid_encoding? })
    at = "http://small.example"
    assert_equal(
      [
        ["#{at}/n", "next", nil, [], nil, true],
        ["#{at}/a", "anchor", "Vé “q” \\ ü", %w[prev nofollow via], "nav", false],
        ["#{at}/b?x=1&y=%22", "anchor", 'say "so"', [], "main", true],
        ["#{at}/v.png", "image", "", [], "footer", true]
      ].sort,
      lines.map { |line| JSON.parse(line).values_at("target", "type", "text", "rel", "place", "followed") }.sort
    )
    assert_equal %w[source target type text rel place followed], JSON.parse(lines.first).keys
  end
end

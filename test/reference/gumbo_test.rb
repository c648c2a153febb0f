# frozen_string_literal: true

require_relative "../test_helper"
require "nokogiri"

# Source: Gumbo (in Nokogiri), another parser after the HTML standard. On every page of the demo site it must see the
# same links, titles, headings, directives and visible text as Lexbor, through readings written here without our own
# code.
class GumboTest < Minitest::Test
  require_relative "../../standins/site/application"

  Core = IronTrellis::Core
  PAGES = SkerrySite::Catalogue.new.pages.flat_map { |host, pages| pages.values.map { |page| [host, page] } }
    .select { |_, page| page.body.nil? && page.location.nil? }
  FRAME = SkerrySite::Frame.new

  def test_there_are_pages_to_compare
    assert_operator PAGES.size, :>, 70
  end

  def test_both_parsers_see_the_same_on_every_demo_page
    PAGES.each do |host, page|
      html = FRAME.call(page)
      ours =
        Core::Page::Reader.new(agent: "x").call(
          url: Core::Url::NormalForm.parse(page.url),
          header_lines: ["Content-Type: text/html; charset=utf-8"],
          body: html.b
        )
      gumbo = Nokogiri::HTML5(html)

      assert_equal gumbo.css("a[href]").map { |link| fold(link.text) },
        ours.links.select { |link| link.type == "anchor" }.map(&:text),
        page.url
      assert_equal gumbo.css("a[href]").map { |link| landmark(link) },
        ours.links.select { |link| link.type == "anchor" }.map(&:place),
        page.url
      assert_equal gumbo.css("title").map { |title| fold(title.text) }, ours.titles, page.url
      assert_equal gumbo.css("h1").map { |heading| fold(heading.text) }, ours.h1, page.url
      assert_equal gumbo.css("meta[name=robots]").map { |meta| meta["content"].downcase.split(/[,\s]+/) },
        ours.directives.map(&:tokens),
        page.url
      assert_equal gumbo.css("link[rel=canonical]").map { |link| link["href"] },
        ours.canonical.named.map(&:href),
        page.url
      assert_equal fold(gumbo.at_css("body").tap { |body| body.css("script").each(&:remove) }.text).delete(" "),
        ours.text.delete(" \n"),
        page.url
    end
  end

  private

  def fold(text) = text.gsub(/[[:space:]]+/, " ").strip

  def landmark(node) = node.ancestors.map(&:name).find { |name| %w[nav header main aside footer].include?(name) }
end

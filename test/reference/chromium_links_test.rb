# frozen_string_literal: true

require_relative "../test_helper"

# Source: Chromium's DOM. On every page of the demo site its link, image and anchor elements hold the addresses that we
# read from the page's source.
class ChromiumLinksTest < Minitest::Test
  require_relative "../../standins/site/application"

  Core = IronTrellis::Core
  PAGES =
    SkerrySite::Catalogue
      .new(chapters: false)
      .pages
      .flat_map { |_, pages| pages.values }
      .select { |page| page.body.nil? && page.location.nil? && !page.head.to_s.include?("refresh") }
      # What scripts add is no part of the source.
      .reject { |page| page.tail.to_s.include?("insertAdjacentHTML") }
  FRAME = SkerrySite::Frame.new
  # Properties give whole addresses, resolved by the browser.
  HELD = "return [...document.querySelectorAll(arguments[0])].map((element) => element[arguments[1]])"
  KINDS = {
    "anchor" => ["a[href], area[href]", "href"],
    "image" => ["img[src]", "src"],
    "style" => ["link[rel=stylesheet]", "href"],
    "canonical" => ["link[rel=canonical]", "href"],
    "hreflang" => ["link[rel=alternate][hreflang]", "href"]
  }.freeze

  def self.browser
    @browser ||=
      Chromium.session(
        resolve:
          %w[www.skerrylamps.example www.skerrylamper.example www.harbour-almanac.example].to_h do |host|
            ["#{host}:80", "127.0.0.1:#{SiteServer.skerry.port}"]
          end
      )
  end

  def test_chromium_holds_the_same_links_on_every_demo_page
    assert_operator PAGES.size, :>, 70
    PAGES.each do |page|
      self.class.browser.visit(page.url)
      KINDS.each do |type, (selector, property)|
        assert_equal held(selector, property), ours(page, type), "#{type} on #{page.url}"
      end
    end
  end

  private

  # In our normal form, which decodes unreserved characters that the browser leaves encoded.
  def held(selector, property) =
    self
      .class
      .browser
      .driver
      .browser
      .execute_script(HELD, selector, property)
      .map { |url| Core::Url::NormalForm.of(url) }

  def ours(page, type)
    @facts ||= {}
    facts =
      @facts[page.url] ||= Core::Page::Reader.new(agent: "x").call(
        url: Core::Url::NormalForm.parse(page.url),
        header_lines: ["Content-Type: text/html; charset=utf-8"],
        body: FRAME.call(page).b
      )
    if type == "canonical"
      return (
        facts.canonical.named.map { |one| one.target(Core::Url::Resolver.new(Core::Url::NormalForm.parse(page.url))) }
      )
    end

    facts.links.select { |link| link.type == type }.map(&:target)
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Source: Chromium: what innerText holds of a page's body, split by Intl.Segmenter (UAX #29), and its title. On every
# page of the demo site, and on texts in further scripts, we must count the same words and characters.
class ChromiumWordsTest < Minitest::Test
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
  COUNT = <<~JS
    const words = (text) => [...new Intl.Segmenter("en", { granularity: "word" }).segment(text)]
      .filter((one) => one.isWordLike).length;
    return [words(arguments[0] ?? document.body.innerText), [...document.title].length];
  JS
  # Letters with marks, quotes and hyphens within words, numbers, and scripts that need the whole rule.
  TEXTS = [
    "The keeper's lamp isn't lit: 1,250.50 candles at 3:45",
    "naïve café — coöperate, Ærø, Łódź; 3.5mm",
    "ξένος κόσμος και φως",
    "маяк светит далеко",
    "harbour-lights & co.",
    "don’t can’t o’clock",
    "2026-03-01 12:30",
    "snake_case _alone_ a_1",
    "(brackets) [and] {braces}",
    "under­stand soft hyphen",
    "ends with a dot. And... dots",
    "100% €5 £3.20 §7",
    "می‌خواهم خانه‌ها را",
    "co‍op un⁠joined ze​ro",
    "‎left‏ right"
  ].freeze

  # Chromium's rules are CLDR's, which part letters at a full stop; UAX #29 (WB6, WB7: MidNumLet) joins them: text,
  # their words, ours.
  EXPLAINED = [["e.g. U.S.A.", 5, 2], ["www.skerrylamps.example", 3, 1]].freeze

  def self.browser
    @browser ||=
      Chromium.session(
        resolve:
          %w[www.skerrylamps.example www.skerrylamper.example www.harbour-almanac.example].to_h do |host|
            ["#{host}:80", "127.0.0.1:#{SiteServer.skerry.port}"]
          end
      )
  end

  def chromium(text = nil) = self.class.browser.driver.browser.execute_script(COUNT, text)

  def test_words_of_every_demo_page_and_characters_of_its_title
    PAGES.each do |page|
      self.class.browser.visit(page.url)
      facts =
        Core::Page::Reader.new(agent: "x").call(
          url: Core::Url::NormalForm.parse(page.url),
          header_lines: ["Content-Type: text/html; charset=utf-8"],
          body: FRAME.call(page).b
        )

      assert_equal chromium, [facts.words, facts.title.to_s.length], page.url
    end
  end

  def test_what_differs_is_explained
    self.class.browser.visit("http://www.skerrylamps.example/")
    EXPLAINED.each do |text, *counts|
      assert_equal counts, [chromium(text).first, Core::Content::Words.count(text)], text
    end
  end

  def test_words_of_other_texts
    self.class.browser.visit("http://www.skerrylamps.example/")
    TEXTS.each { |text| assert_equal chromium(text).first, Core::Content::Words.count(text), text }
  end
end

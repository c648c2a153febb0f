# frozen_string_literal: true

require "open3"
require_relative "../test_helper"
require_relative "../../standins/site/application"

# Sources: Intl.Segmenter of Node (UAX #29) for words, npm's snowball-stemmers for stems (snowballstem.org). On every
# page of the demo site, in its five languages, terms must be made of the same words and the same stems.
class TermsReferenceTest < Minitest::Test
  Desk = IronTrellis::Core::Desk
  Language = IronTrellis::Core::Content::Language
  FRAME = SkerrySite::Frame.new
  LANGUAGES = %w[en da it pt nb].freeze
  # Segmenter and UAX #29 part ways where a full stop or colon stands between letters (see ChromiumWordsTest).
  BETWEEN_LETTERS = /(?<=\p{L})[.:](?=\p{L})/

  def test_words_and_stems_of_every_page_are_those_of_others
    texts = texts()
    assert_equal LANGUAGES.sort, texts.map(&:last).uniq.sort
    asked = texts.map { |text, language| JSON.generate(text: text, language: language) }.join("\n")
    out, status = Open3.capture2("node", File.join(__dir__, "terms.mjs"), stdin_data: asked)
    assert_predicate status, :success?
    differ = Hash.new(0)
    out.lines.zip(texts) { |line, (text, language)| compare(JSON.parse(line), text, language, differ) }
    assert_empty differ
  end

  # The same counts, made of the words that the other library found: clause by clause, without stop words at the ends.
  def test_terms_are_counted_as_a_plain_count_over_those_words_gives
    text = "The keeper trims the wicks of the harbour lights. Harbour lights burn oil; a keeper trims wicks at dusk"
    page = Desk::Page.new(language: "en", texts: {"text" => [text]}, words: 19)
    told = Desk::Terms.new(page).call.to_h { |one| [one.term, one.counts["text"]] }
    assert_equal [2, 2, 2, 1, 1, 2],
      told.values_at("harbour lights", "keeper trims", "wicks", "burn oil", "wicks at dusk", "trims")
    assert_empty told.keys.grep(/\Athe | at\z|lights harbour/)
  end

  private

  def texts
    SkerrySite::Catalogue
      .new(chapters: false)
      .pages
      .flat_map { |_, pages| pages.values }
      .select { |page| page.body.nil? && page.location.nil? && LANGUAGES.include?(page.lang) }
      .map do |page|
        html = FRAME.call(page)
        [Desk::PageReading.call(html.b, header_lines: ["content-type: text/html; charset=utf-8"]).of("text").join("\n")
          .gsub(BETWEEN_LETTERS, " "), page.lang]
      end
  end

  def compare(theirs, text, language, differ)
    ours = text.unicode_normalize(:nfkc).downcase(:fold).scan(IronTrellis::Core::Content::Words::WORD)
    assert_equal theirs["words"].map { |word| word.downcase(:fold) }, ours
    speech = Language.for(language)
    ours.zip(theirs["stems"]) do |word, stem|
      differ[[language, word, speech.stem(word), stem]] += 1 if speech.stem(word) != stem
    end
  end
end

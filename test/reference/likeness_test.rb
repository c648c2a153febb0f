# frozen_string_literal: true

require "open3"
require_relative "../test_helper"
require_relative "../../standins/site/application"

# Source: scikit-learn's TfidfVectorizer (Debian's python3-sklearn). How alike the pages of the demo are must be the
# same to it.
class LikenessTest < Minitest::Test
  Core = IronTrellis::Core
  FRAME = SkerrySite::Frame.new
  MOST = 120

  def test_pages_of_the_demo_are_as_alike_as_scikit_learn_has_them
    texts = texts()
    assert_operator texts.size, :>, 60
    lines = texts.map { |one| JSON.generate(one) }.join("\n")
    out, status =
      Open3.capture2("/usr/bin/python3", File.join(__dir__, "sklearn_tfidf.py"), stdin_data: lines)
    assert_predicate status, :success?
    likeness = Core::MissingLinks::Likeness.new(texts.each_with_index.to_h { |terms, place| [place, terms] })
    JSON.parse(out).each_with_index do |row, one|
      all = likeness.of_all(one)
      row.each_with_index do |theirs, other|
        next if one == other

        assert_in_delta theirs, likeness.of(one, other), 1e-9
        assert_in_delta theirs, all.fetch(other, 0.0), 1e-9
      end
    end
  end

  private

  def texts
    SkerrySite::Catalogue
      .new(chapters: false)
      .pages
      .flat_map { |_, pages| pages.values }
      .select { |page| page.body.nil? && page.location.nil? && page.lang == "en" }
      .first(MOST)
      .map { |page| Core::Desk::PageReading.call(FRAME.call(page).b).of("text").join(" ").downcase.scan(/\p{L}+/) }
  end
end

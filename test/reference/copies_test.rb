# frozen_string_literal: true

require_relative "../test_helper"

# Source: Broder 1997, "On the resemblance and containment of documents": the share of five-word runs that two texts
# have in common, worked out in full over all pairs of the demo's pages and of versions of them with some words changed
# (fixed seed), so that similarities lie all along from 0 to 1.
class CopiesTest < Minitest::Test
  require_relative "../../standins/site/application"

  Copies = IronTrellis::Core::Copies
  Core = IronTrellis::Core
  # All pairs of them are compared in full, so not of all pages.
  PAGES =
    SkerrySite::Catalogue
      .new(chapters: false)
      .pages
      .flat_map { |_, pages| pages.values }
      .select { |page| page.body.nil? && page.location.nil? }
      .first(80)
  RECALL = 0.95
  NEVER_BELOW = 0.75

  def main_text(page)
    facts =
      Core::Page::Reader.new(agent: "x").call(
        url: Core::Url::NormalForm.parse(page.url),
        header_lines: ["Content-Type: text/html; charset=utf-8"],
        body: SkerrySite::Frame.new.call(page).b
      )
    Copies::MainText.blocks(facts.text, facts.frames).join("\n")
  end

  # Runs as plain strings, without our numbers for them.
  def runs(text) = text.downcase.scan(/[[:alnum:]]+/).each_cons(5).to_h { |run| [run, true] }

  def texts
    @@texts ||= begin
      random = Random.new(1997)
      pages = PAGES.map { |page| main_text(page) }.select { |text| text.split.size > 40 }
      pages +
        pages.flat_map do |text|
          [0.004, 0.01, 0.02, 0.03, 0.06].map do |share|
            text.split.map { |word| (random.rand < share) ? "changed#{random.rand(1000)}" : word }.join(" ")
          end
        end
    end
  end

  def similarities
    @@similarities ||= begin
      sets = texts.map { |text| runs(text) }
      (0...sets.size).to_a.combination(2).filter_map do |one, other|
        both = sets[one].count { |run, _| sets[other].key?(run) }
        [[one, other], both.fdiv(sets[one].size + sets[other].size - both)] if both.positive?
      end.to_h
    end
  end

  def test_nearly_all_pairs_of_copies_are_found_and_none_that_are_none
    finder = Copies::Finder.new
    texts.each { |text| finder.add(Copies::Shingles.of(text), text) }
    copies = finder.copies
    stands = ->(number) { copies[number]&.stands || number }
    pairs = similarities.select { |_, similarity| similarity >= Copies::Finder::NEAR }.keys

    assert_operator pairs.size, :>, 200
    assert_operator pairs.count { |one, other| stands.call(one) == stands.call(other) }.fdiv(pairs.size), :>=, RECALL
    copies.each do |number, copy|
      similarity = similarities.fetch([copy.stands, number])
      assert_operator similarity, :>=, NEVER_BELOW
      assert_in_delta similarity, copy.similarity, 0.01
    end
  end

  def test_what_is_seen_once_is_told_as_a_count_tells_it
    own = Copies::UniqueShare.new(0)
    texts.each { |text| own.add(Copies::Shingles.of(text)) }
    tally = texts.flat_map { |text| runs(text).keys }.tally

    texts.zip(own.shares) do |text, share|
      assert_in_delta runs(text).count { |run, _| tally[run] == 1 }.fdiv(runs(text).size), share, 0.01
    end
  end
end

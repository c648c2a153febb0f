# frozen_string_literal: true

require_relative "../test_helper"

# Sets of languages by themselves.
class LanguageSetsTest < Minitest::Test
  Languages = IronTrellis::Core::Languages

  # @param sets [Hash{String => Hash{String => String}}] by page, what it names by code
  def annotations(sets) =
    sets.flat_map do |url, named|
      named.map { |code, target| Languages::Annotation.new(url: url, code: code, target: target) }
    end

  def flaws(sets) = Languages::SetCheck.new(annotations(sets)).call.map(&:to_a)

  WHOLE = {"en" => "/en", "da" => "/da", "x-default" => "/en"}.freeze

  def test_a_whole_set_has_no_flaws
    assert_empty flaws("/en" => WHOLE, "/da" => WHOLE)
  end

  def test_a_page_that_does_not_answer_voids_the_pair_whether_it_names_others_or_none
    assert_equal [["hreflang-no-return", "/en", "/da"]], flaws("/en" => WHOLE)
    assert_includes flaws("/en" => WHOLE, "/da" => {"da" => "/da", "x-default" => "/da"}),
      %w[hreflang-no-return /en /da]
  end

  def test_codes_that_cannot_be_used_and_codes_given_twice
    set = {"en-UK" => "/en", "x-default" => "/en"}
    assert_equal [["hreflang-code", "/en", "en-UK"]], flaws("/en" => set)
    assert_includes flaws("/en" => WHOLE.merge("EN" => "/da"), "/da" => WHOLE), ["hreflang-code-twice", "/en", "en"]
  end

  def test_a_page_must_name_itself_and_somebody_for_all_others
    assert_equal [["hreflang-no-self", "/en", nil], ["hreflang-no-default", "/en", nil]],
      flaws("/en" => {"da" => "/da"}, "/da" => WHOLE)
  end

  def test_who_names_less_than_another_of_the_set_is_told_of_it
    fuller = WHOLE.merge("it" => "/it")
    assert_equal [%w[hreflang-sets-differ /da /en], %w[hreflang-no-return /it /da]],
      flaws("/en" => fuller, "/da" => WHOLE, "/it" => fuller)
  end

  def test_clusters_are_what_hangs_together_by_naming
    clusters =
      Languages::Clusters.of(
        annotations("/b" => {"en" => "/a"}, "/c" => {"en" => "/a", "DA" => "/c"}, "/x" => {"en" => "/y"})
      )
    assert_equal [[%w[/a /b /c], {"DA" => %w[/c], "en" => %w[/a]}], [%w[/x /y], {"en" => %w[/y]}]], clusters.map(&:to_a)
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Sets of languages: who names whom, whole sets, and pages that belong together.
class LanguagePairsTest < Minitest::Test
  Languages = IronTrellis::Core::Languages

  def annotation(url, code, target, source = "html") =
    Languages::Annotation.new(url: url, code: code, target: target, source: source)

  def matrix(*annotations)
    Languages::Matrix.new(Languages::Clusters.of(annotations).first, annotations)
  end

  def states(matrix) = matrix.rows.to_h { |row| [row.url, row.cells.map(&:state)] }

  def test_a_hole_is_a_missing_return
    matrix =
      matrix(
        annotation("/en", "en", "/en"),
        annotation("/en", "da", "/da"),
        annotation("/en", "x-default", "/en"),
        annotation("/da", "da", "/da", "sitemap")
      )
    assert_equal %w[da en x-default], matrix.columns.keys
    assert_equal({"/da" => %w[itself hole hole], "/en" => %w[named itself itself]}, states(matrix))
    assert_equal [2, ["sitemap"]], [matrix.holes, matrix.rows.first.cells.first.sources]
  end

  def test_a_page_that_names_another_one_for_a_code_is_told_apart
    matrix =
      matrix(
        annotation("/en", "en", "/en"),
        annotation("/en", "da", "/da"),
        annotation("/da", "en", "/en-old"),
        annotation("/da", "da", "/da"),
        annotation("/it", "en", "/en"),
        annotation("/it", "da", "/da")
      )
    assert_equal %w[itself other], states(matrix)["/da"]
  end

  def test_sources_that_say_different_things_clash
    clashing =
      matrix(annotation("/en", "en", "/en"), annotation("/en", "da", "/da"), annotation("/en", "en", "/en", "sitemap"))
    assert_equal [["da", true], ["en", false]],
      clashing.rows.find { |row| row.url == "/en" }.cells.map { |cell| [cell.code, cell.clash] }
  end

  def test_a_complete_set_in_three_forms
    set = Languages::CompleteSet.new({"en" => "http://a.test/?a&b", "da" => "http://b.test/"}, main: "en")
    assert_equal [
      '<link rel="alternate" hreflang="da" href="http://b.test/">',
      '<link rel="alternate" hreflang="en" href="http://a.test/?a&amp;b">',
      '<link rel="alternate" hreflang="x-default" href="http://a.test/?a&amp;b">'
    ],
      set.head_lines
    assert_equal '<http://b.test/>; rel="alternate"; hreflang="da", ' \
      '<http://a.test/?a&b>; rel="alternate"; hreflang="en", ' \
      '<http://a.test/?a&b>; rel="alternate"; hreflang="x-default"',
      set.header
    assert_equal [2, 6], [set.sitemap_entries.scan("<loc>").size, set.sitemap_entries.scan("<xhtml:link").size]
    assert_raises(IronTrellis::Core::Error::InvalidInput) { Languages::CompleteSet.new({"en-UK" => "http://a.test/"}) }
  end

  def page(path, lang, title: path, images: [], switch: [], host: "a.test") =
    Languages::Pairing::Page.new(
      url: "http://#{host}#{path}",
      lang: lang,
      title: title,
      images: images,
      switch: switch.map { |one| "http://a.test#{one}" }
    )

  def paired(*pages, named: [])
    languages = Languages::OfPlaces.new(pages.to_h { |one| [one.url, one.lang] })
    Languages::Pairing
      .new(pages, languages, named)
      .call
      .map { |one| [one.pages.transform_values { |url| url.sub("http://a.test", "") }, one.reasons.size] }
  end

  def test_pages_correspond_by_their_path_below_the_language
    assert_equal [[{"en" => "/about", "pt" => "/pt/about"}, 2]],
      paired(page("/about", "en"), page("/pt/about", "pt"), page("/pt/other", "pt"))
  end

  def test_pages_correspond_by_a_deeper_folder_and_by_what_their_files_are_called
    assert_equal [[{"en" => "/doc/en/oil", "fr" => "/doc/fr/oil"}, 2]],
      paired(page("/doc/en/oil", "en"), page("/doc/fr/oil", "fr"))
    assert_equal [[{"de" => "/oil-de", "en" => "/oil.html", "fr" => "/oil.fr.html"}, 1]],
      paired(page("/oil.html", "en"), page("/oil.fr.html", "fr"), page("/oil-de.html", "de"))
        .map { |pages, _| [pages.transform_values { |path| path.sub("-de.html", "-de") }, 1] }
    assert_empty paired(page("/make-it", "en"), page("/make", "it")), "a word is no language"
  end

  def test_pages_correspond_by_a_product_code_across_hosts
    assert_equal [[{"da" => "http://b.test/toplanterne-ms40", "en" => "/lamps/ms-40"}, 1]],
      paired(page("/lamps/ms-40", "en"), page("/toplanterne-ms40", "da", host: "b.test"))
  end

  def test_pages_correspond_by_their_switch_and_their_images
    assert_equal [[{"en" => "/care", "it" => "/it/cura"}, 1]],
      paired(page("/care", "en", switch: ["/it/cura"]), page("/it/cura", "it"))
    assert_equal [[{"en" => "/care", "it" => "/it/cura"}, 1]],
      paired(page("/care", "en", images: %w[i1 i2]), page("/it/cura", "it", images: %w[i2 i1]))
  end

  def test_a_set_has_one_page_of_each_language_and_what_is_common_pairs_nobody
    assert_empty paired(page("/a/ms-40", "en"), page("/b/ms-40", "en"), page("/pt/ms-40", "pt"))
  end

  def test_those_that_all_name_each_other_are_not_proposed
    assert_empty paired(
      page("/about", "en"),
      page("/pt/about", "pt"),
      named: [%w[http://a.test/about http://a.test/pt/about]]
    )
  end

  def test_how_languages_are_laid_out_with_advice
    pages = {
      "http://a.test/1" => "en",
      "http://a.test/2" => "en",
      "http://a.test/3" => "en",
      "http://a.test/pt/1" => "pt",
      "http://b.test/1" => "da"
    }
    told = Languages::Layout.new(pages, Languages::OfPlaces.new(pages), "a.test").call
    assert_equal({"en" => {"a.test" => 3}, "pt" => {"a.test/pt" => 1}, "da" => {"b.test" => 1}}, told.places)
    assert_equal %w[folder host], told.ways.sort
    assert(told.advice.any? { |one| one.include?("2 ways") })
  end

  def test_slugs_that_were_left_untranslated
    pages = {
      "en" => ["http://a.test/trimming-wicks", "Trimming wicks"],
      "pt" => ["http://a.test/pt/trimming-wicks", "Aparar o pavio"],
      "it" => %w[http://a.test/it/ms-40 MS-40]
    }
    assert_equal({"pt" => "http://a.test/pt/trimming-wicks"}, Languages::Slugs.untranslated(pages, "en"))
    assert_empty Languages::Slugs.untranslated(
      {"en" => %w[http://a.test/ms-40 a], "pt" => %w[http://a.test/pt/ms-40 b]},
      "en"
    )
  end
end

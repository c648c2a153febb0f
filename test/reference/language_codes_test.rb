# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Sources: npm's language-subtag-registry (the IANA Language Subtag Registry) for languages and scripts, npm's
# i18n-iso-countries (ISO 3166-1) for regions, and Node's Intl (CLDR, RFC 5646) for how tags are written.
class LanguageCodesTest < Minitest::Test
  Languages = IronTrellis::Core::Languages

  TABLES = <<~JS
    const { createRequire } = require("node:module");
    const from = createRequire(process.argv[1]);
    const registry = from("language-subtag-registry/data/json/registry.json")
      .filter((one) => one.Subtag && !one.Deprecated && !one.Subtag.includes(".."));
    const of = (type) => registry.filter((one) => one.Type === type).map((one) => one.Subtag.toLowerCase());
    console.log(JSON.stringify({
      languages: of("language").filter((one) => one.length === 2), scripts: of("script"), regions: of("region"),
      countries: Object.keys(from("i18n-iso-countries").getAlpha2Codes()).map((one) => one.toLowerCase()),
    }));
  JS
  CANONICAL =
    "console.log(JSON.stringify(JSON.parse(process.argv[1]).map((tag) => { try { return new " \
    "Intl.Locale(tag).toString(); } catch { return null; } })))"

  def tables
    @@tables ||= JSON.parse(Open3.capture2("node", "-e", TABLES, IronTrellis::ROOT.join("web/package.json").to_s).first)
  end

  def test_languages_and_scripts_are_those_of_the_registry
    assert_equal tables["languages"].sort, Languages::Codes::LANGUAGES.keys.sort
    assert_equal tables["scripts"].sort, Languages::Codes::SCRIPTS.keys.sort
  end

  # Kosovo's XK is of common use and not of the standard, whose number of codes is 249.
  def test_regions_are_those_of_the_standard_and_of_the_registry
    assert_equal tables["countries"].sort - ["xk"], Languages::Codes::REGIONS.keys.sort
    assert_equal 249, Languages::Codes::REGIONS.size
    assert_empty Languages::Codes::REGIONS.keys - tables["regions"]
  end

  def test_what_is_likely_meant_is_written_as_the_standard_writes_it
    {
      "en-UK" => "en-GB",
      "en_GB" => "en-GB",
      "eng" => "en",
      "eng-us" => "en-US",
      "PT_br" => "pt-BR",
      "zh_hant_tw" => "zh-Hant-TW"
    }.each do |written, meant|
      tag = Languages::Tag.read(written)
      refute tag.usable?, written
      assert_equal meant, tag.likely
      assert_equal [meant], JSON.parse(Open3.capture2("node", "-e", CANONICAL, JSON.generate([meant])).first)
    end
  end

  def test_tags_that_search_engines_can_use_and_others
    %w[en EN en-GB zh-Hant zh-hant-tw x-default X-Default pt-BR].each do |code|
      assert Languages::Tag.read(code).usable?, code
    end
    {
      "es-419" => "region not supported",
      "xx" => "there is no language xx",
      "en-XX" => "there is no region XX",
      "en-Abcd" => "there is no script abcd",
      "" => "it is no tag of a language, a script and a region",
      "en-GB-oed" => "it is no tag of a language, a script and a region"
    }.each { |code, reason| assert_equal reason, Languages::Tag.read(code).reason, code }
    assert_nil Languages::Tag.read("en-XX").likely
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# The languages of a small site: who names whom, what seems to belong together, and the sets that there shall be.
class LanguageSummaryTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Languages = IronTrellis::Store::Languages
  HOST = "http://small.example"
  SETS = {
    # Whole but for the Danish page, which is silent; its code is written with an underscore.
    "/wicks" => {
      "en" => "/wicks",
      "da_DK" => "/da/vaeger",
      "pt" => "/pt/pavios",
      "x-default" => "/wicks"
    },
    "/pt/pavios" => {
      "en" => "/wicks",
      "da_DK" => "/da/vaeger",
      "pt" => "/pt/pavios",
      "x-default" => "/wicks"
    },
    # Names a page that has moved.
    "/oil" => {
      "en" => "/oil",
      "pt" => "/pt/oleo-velho",
      "x-default" => "/oil"
    },
    "/pt/oleo" => {
      "en" => "/oil",
      "pt" => "/pt/oleo",
      "x-default" => "/oil"
    }
  }.freeze
  NAMES = {"en" => "English", "pt" => "Português", "da" => "Dansk"}.freeze

  def page_of(path, title, lang, body = "")
    lines =
      SETS.fetch(path, {}).map { |code, target| "<link rel=alternate hreflang=#{code} href=#{HOST}#{target}>" }.join
    "<!doctype html><html lang=#{lang}><head><title>#{title}</title>#{lines}</head><body><main><h1>#{title}</h1>" \
    "<p>#{(1..60).map { |number| "#{title.downcase.tr(" ", "-")}#{number}" }.join(" ")}</p></main>#{body}</body></html>"
  end

  def setup
    super
    pages = {
      "/wicks" => %w[Wicks en],
      "/da/vaeger" => %w[Væger da],
      "/pt/pavios" => %w[Pavios pt],
      "/oil" => %w[Oil en],
      "/pt/oleo" => %w[Óleo pt],
      "/lamps/ms-40" => %w[Masthead en],
      "/pt/luzes/ms-40" => %w[Mastro pt],
      "/harbour-lights" => ["Harbour lights", "en"],
      "/pt/harbour-lights" => ["Luzes do porto", "pt"]
    }
    made =
      pages.to_h do |path, (title, lang)|
        [
          path,
          page_of(
            path,
            title,
            lang,
            (path == "/da/vaeger") ? "<footer><a href=/harbour-lights>English</a></footer>" : ""
          )
        ]
      end
    made["/"] = page_of("/", "Home", "en", pages.keys.map { |path| "<a href=#{path}>#{path}</a>" }.join(" "))
    made["/pt/oleo-velho"] = [301, {"location" => "/pt/oleo"}, ""]
    @crawl = crawl_here(SmallSite.new(made))
    @crawl.update!(state: "finished")
    @site = @crawl.site
    @run = @crawl.verdict_run
    @summary = @run.languages
  end

  def short(value) = JSON.parse(JSON.generate(value).gsub(HOST, ""))

  def cluster(first) = @summary["clusters"].find { |one| one["first"] == HOST + first }

  def sets = IronTrellis::Store::Languages::LanguageSets.new(@run, @site)

  def test_sets_tell_what_is_wrong_with_them_the_most_broken_first
    assert_equal [2, 0], @summary.values_at("total", "whole")
    assert_equal ["code da_DK", "one page has no return link"], cluster("/da/vaeger")["notes"]
    assert_equal %w[/da/vaeger /pt/pavios /wicks], short(cluster("/da/vaeger")["members"])
    assert_equal cluster("/da/vaeger"), @summary["clusters"].first
  end

  def test_a_matrix_tells_of_each_page_what_keeps_it_from_counting
    detail = short(sets.detail(cluster("/oil")))
    rows = detail["rows"].to_h { |row| [row["url"], row] }
    assert_equal [301, "/pt/oleo"], rows.fetch("/pt/oleo-velho").values_at("status", "redirect_to")
    assert_equal(
      {"en" => "/oil", "pt" => "/pt/oleo", "x-default" => "/oil"},
      detail["pages"],
      "where the redirect leads"
    )
  end

  def test_whole_sets_have_right_codes_and_pages_that_stand_for_themselves
    assert_equal [
      {"da-DK" => "/da/vaeger", "en" => "/wicks", "pt" => "/pt/pavios", "x-default" => "/wicks"},
      {"en" => "/oil", "pt" => "/pt/oleo", "x-default" => "/oil"}
    ],
      short(sets.all.map(&:to_h)).sort_by(&:to_s)
    assert_empty sets.alone
  end

  def test_codes_are_told_with_what_was_probably_meant
    bad = @summary["codes"].find { |one| one["code"] == "da_DK" }
    assert_equal ["da-DK", 2], bad.values_at("likely", "pages")
    assert_nil @summary["codes"].find { |one| one["code"] == "pt" }["reason"]
  end

  def test_pages_that_correspond_are_proposed_with_the_reasons
    proposals = short(@summary["proposals"]).to_h { |one| [one["pages"], one] }
    lamps = proposals.fetch({"en" => "/lamps/ms-40", "pt" => "/pt/luzes/ms-40"})
    assert_equal ["they have the same product code", "the last part of their addresses is the same"], lamps["reasons"]
    lights = proposals.find { |pages, _| pages["en"] == "/harbour-lights" }.last
    assert_equal({"pt" => "/pt/harbour-lights"}, lights["untranslated"])
    assert_includes lights["reasons"], "their paths are the same below the language"
  end

  def test_a_set_that_was_decided_takes_the_place_of_what_the_pages_say
    kept =
      IronTrellis::Core::Decisions::Registry.read(
        "languages",
        "#{HOST}/lamps/ms-40",
        {
          "pages" => {
            "en" => "#{HOST}/lamps/ms-40",
            "pt" => "#{HOST}/pt/luzes/ms-40",
            "x-default" => "#{HOST}/pt/luzes/ms-40"
          }
        }
      )
    @site.decisions.decide("languages", [kept].to_h, by: "Test", now: Time.now)
    assert_equal 3, sets.all.size
    assert_equal "#{HOST}/pt/luzes/ms-40", sets.by_url.fetch("#{HOST}/lamps/ms-40")["x-default"]
    assert_includes written(sets, "sitemap"), %(hreflang="x-default" href="#{HOST}/pt/luzes/ms-40")
    assert_raises(IronTrellis::Core::Error::InvalidInput) { written(sets, "poem") }
  end

  def test_how_the_languages_are_laid_out
    assert_equal({"small.example/pt" => 4}, @summary["layout"]["places"]["pt"])
    assert_equal ["folder"], @summary["layout"]["ways"]
  end

  def test_a_site_of_one_language_that_names_no_other_has_no_summary
    crawl = crawl_here(SmallSite.new({"/" => "<html lang=en><title>Only</title><p>#{"word " * 60}</p>"}))
    assert_nil crawl.verdict_run.languages
    assert_empty IronTrellis::Store::Languages::LanguageSets.new(crawl.verdict_run, crawl.site).all
  end

  def test_what_is_still_to_be_added_is_told_by_host
    assert_equal [["small.example", 4]], sets.still_to_add.map { |one| one.values_at(:host, :pages) }
    lines = written(sets, "head", missing: true, host: "small.example")
    assert_includes lines, "#{HOST}/da/vaeger\n<link rel=\"alternate\" hreflang=\"da-DK\""
    refute_includes lines[/^#{HOST}\/wicks\n(?:<.*\n)*/o], "hreflang=\"pt\"", "it is there already"
    assert_equal "", written(sets, "head", missing: true, host: "elsewhere.example")
  end

  def test_a_page_that_names_only_itself_is_no_set
    alone =
      page_of("/", "Home", "en").sub(
        "</head>",
        "<link rel=alternate hreflang=en href=#{HOST}/><link rel=alternate hreflang=x-default href=#{HOST}/></head>"
      )
    run = crawl_here(SmallSite.new("/" => alone)).verdict_run
    assert_equal [0, 0, []], run.languages.values_at("total", "whole", "clusters")
  end

  private

  def written(sets, form, **narrowed) = IronTrellis::Ports::Languages.form(form).write(sets.carried(**narrowed))
end

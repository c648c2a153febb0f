# frozen_string_literal: true

require_relative "../test_helper"
require "rack/mock"

# The demo site: as large as it should be, no two pages alike by accident, and changed by those who keep it.
class SiteTest < Minitest::Test
  require_relative "../../standins/site/application"

  def request(application, path, host: "www.skerrylamps.example", **options) =
    Rack::MockRequest.new(application).request(options.delete(:verb) || "GET", path, "HTTP_HOST" => host, **options)

  def self.catalogue = @catalogue ||= SkerrySite::Catalogue.new

  def pages = self.class.catalogue.pages.values.flat_map(&:values)

  def test_it_has_its_pages_in_five_languages
    html = pages.reject(&:body)
    assert_operator html.size, :>=, 860
    assert_equal %w[da en it nb pt], html.filter_map(&:lang).uniq.sort
  end

  def test_titles_headings_and_texts_differ_but_where_it_is_meant
    twins = YAML.safe_load_file(File.expand_path("../../standins/site/faults.yml", __dir__))["twins"]
    written =
      pages.reject do |page|
        page.body || page.status != 200 || twins.key?(page.path) ||
          page.path.start_with?("/lamps/") && !page.path.include?("/book/")
      end
    assert_equal 1, written.map { |page| [page.lang, page.title] }.tally.values.max
    assert_equal 1, written.map { |page| [page.lang, page.parts[%r{<h1>.*?</h1>}]] }.select(&:last).tally.values.max
    assert_empty written.map(&:parts).select { |parts| parts.include?("{") }, "a gap was left open"
  end

  def test_without_its_chapters_it_is_small_and_has_the_same_faults
    small = SkerrySite::Catalogue.new(chapters: false).pages["www.skerrylamps.example"]
    assert_operator small.size, :<, 200
    assert_empty YAML.safe_load_file(File.expand_path("../../standins/site/faults.yml", __dir__))[
                   "www.skerrylamps.example"
                 ].keys - small.keys
  end

  def test_its_keepers_change_pages_which_stay_changed_after_a_restart_until_they_are_told_to_forget
    Dir.mktmpdir do |folder|
      file = File.join(folder, "changes.jsonl")
      site = SkerrySite::Application.new(chapters: false, changes: file)
      order = {host: "www.skerrylamps.example", path: "/about", set: {status: 301, location: "/contact"}}
      assert_equal 200,
        request(
          site,
          "/pages",
          host: "maintenance.skerrylamps.example",
          verb: "POST",
          input: JSON.generate(order)
        ).status
      [site, SkerrySite::Application.new(chapters: false, changes: file)].each do |one|
        assert_equal [301, "/contact"], request(one, "/about").then { |answer| [answer.status, answer["location"]] }
      end

      assert_equal 200, request(site, "/pages", host: "maintenance.skerrylamps.example", verb: "DELETE").status
      assert_equal 200, request(site, "/about").status
    end
  end

  def test_orders_that_make_no_sense_are_refused
    site = SkerrySite::Application.new(chapters: false)
    ["nonsense", JSON.generate(path: "/about"), JSON.generate(host: "x", path: "/", set: {weather: 1})].each do |input|
      assert_equal 422,
        request(site, "/pages", host: "maintenance.skerrylamps.example", verb: "POST", input: input).status,
        input
    end
    assert_equal 404, request(site, "/", host: "maintenance.skerrylamps.example").status
  end
end

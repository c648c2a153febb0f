# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"

# How a business is written on its pages and elsewhere, against one form.
class BusinessFactsApiTest < Minitest::Test
  include ApiHere

  LISTS = <<~CSV
    Source,Name,Address,Telephone,Web
    Harbour almanac,Skerry Lamp Works,"The Net Loft, Inner Quay",+44 1632 960 031,http://www.skerrylamps.example/
    Coast list,SKERRY LAMP WORKS,"The Net Loft; inner quay",01632 960999,
    ,Nobody,,,
  CSV

  def setup
    super
    sign_up
    @site = Store::Crawling::Crawl.find(judged).site_id
    Store::Sites::Site.find(@site).update!(business_facts: {})
  end

  def test_writings_are_told_apart_and_what_is_wrong_goes_to_who_keeps_it
    told = call(:get, path)
    numbers = told["facts"].find { |one| one["fact"] == "telephone" }
    assert_equal ["+44 1632 960 031", "01632 960013"], numbers["writings"].map { |one| one["writing"] }.sort
    assert_equal "+44 1632 960 031", told["chosen"]["telephone"]
    told = call(:put, path, {chosen: told["chosen"], country: "GB"})
    numbers = told["facts"].find { |one| one["fact"] == "telephone" }
    assert_equal %w[right wrong], numbers["writings"].map { |one| one["state"] }, "another by E.164"
    told = call(:post, "#{path}/listings", {text: LISTS})
    assert_equal [%w[right right right right], %w[otherwise otherwise wrong missing]],
      told["listings"].map { |one| one["states"].values_at("name", "address", "telephone", "web") }
    get "/api#{path}/to-correct.csv"
    rows = CSV.parse(last_response.body, headers: true).map(&:to_h)
    assert_includes rows, {
      "source" => "Coast list",
      "fact" => "telephone",
      "written" => "01632 960999",
      "should_be" => "'+44 1632 960 031",
      "state" => "wrong"
    }
    fix = call(:get, "/sites/#{@site}/fixes/#{call(:post, "#{path}/fix", {}, status: 201)["id"]}")
    conditions = fix["conditions"].map { |one| one["condition"] }
    assert_includes conditions, "it writes “+44 1632 960 031”, not “01632 960013”"
  ensure
    Store::Workplan::Fix.where(site_id: @site).delete_all
  end

  def test_a_file_without_sources_is_refused
    call(:post, "#{path}/listings", {text: "name,phone\nx,1\n"}, status: 422)
    call(:post, "#{path}/listings", {text: "source,name\n\"x"}, status: 422)
  end

  # Source: npm's libphonenumber-js (the metadata of the well-known library): the same international forms.
  def test_numbers_come_to_the_same_international_form_as_with_another_library
    numbers = [
      ["01632 960031", "GB"], ["+44 (0)1632 960 031", "GB"], ["(02) 9999 1234", "AU"], ["030 123456", "DE"],
      ["+351 21 123 4567", "PT"], ["06 1234 5678", "IT"], ["33 12 34 56", "DK"], ["+47 22 12 34 56", nil],
      ["020 7946 0018", "GB"], ["(415) 555-2671", "US"]
    ]
    script = <<~JS
      const { parsePhoneNumberFromString } = require("libphonenumber-js/max");
      const numbers = JSON.parse(require("fs").readFileSync(0, "utf8"));
      const read = ([text, country]) => parsePhoneNumberFromString(text, country ?? undefined)?.number ?? null;
      console.log(JSON.stringify(numbers.map(read)));
    JS
    web = IronTrellis::ROOT.join("web").to_s
    out, = Open3.capture2("node", "-e", script, stdin_data: JSON.generate(numbers), chdir: web)
    writing = IronTrellis::Core::BusinessFacts::Writing
    assert_equal JSON.parse(out), numbers.map { |text, country| writing.key("telephone", text, country) }
  end

  private

  def path = "/sites/#{@site}/business-facts"
end

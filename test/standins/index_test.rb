# frozen_string_literal: true

require "rack/mock"
require_relative "../test_helper"
require_relative "../support/gazetteer"

# The index stand-in: the same for the same seed, otherwise for another; and what it does as days pass.
class IndexTest < Minitest::Test
  YEAR = 365
  DANISH = "www.skerrylamper.example"

  def index(seed: 7, days: YEAR)
    settings = {
      "seed" => seed, "first_day" => "2025-11-28", "lenient_from" => "2026-10-31", "hosts" => [DANISH],
      "address" => "127.0.0.1:#{SiteServer.skerry.port}"
    }
    Gazetteer::Index.new(settings).tap { |one| one.pass(days) }
  end

  def ask(verb, path, body = nil)
    application = GazetteerHere.application
    answer = Rack::MockRequest.new(application).request(verb, path, input: body && JSON.generate(body))
    [answer.status, JSON.parse(answer.body)]
  end

  def asked(application, verb, path) = JSON.parse(Rack::MockRequest.new(application).request(verb, path).body)

  def test_two_runs_of_a_year_are_alike_and_another_seed_is_not
    first, second = Array.new(2) { index }
    assert_equal first.to_h, second.to_h
    day = Date.iso8601("2026-11-01")
    told = ->(one) { one.urls.keys.flat_map { |url| one.record.on(url, day) } }
    assert_equal told.call(first), told.call(second)
    refute_empty told.call(first)
    refute_equal told.call(first), told.call(index(seed: 8))
  end

  def test_it_begins_anew_with_its_first_day
    young = GazetteerHere.made
    first = asked(young, "GET", "/status")["today"]
    GazetteerHere.pass(young, 3)
    refute_equal first, asked(young, "GET", "/status")["today"]
    assert_equal first, asked(young, "DELETE", "/days")["today"]
  end

  def test_pages_are_taken_in_days_after_they_were_heard_of_and_noindex_never
    young = index(days: 2)
    assert_equal ["waiting"], young.urls.values.map { |one| one["standing"] }.uniq
    old = index(days: 60)
    assert_operator old.urls.values.count { |one| one["standing"] == "in_index" }, :>, 3
    assert_empty old.urls.values.select { |one| one["noindex"] && one["standing"] == "in_index" }
  end

  def test_requests_have_a_quota_and_hides_end
    url = "http://www.skerrylamps.example/about"
    used = JSON.parse(JSON.generate(ask("GET", "/requests").last["rows"])).size
    (Gazetteer::Index::QUOTA - used).times { assert_equal 201, ask("POST", "/requests", {url: url}).first }
    status, refused = ask("POST", "/requests", {url: url})
    assert_equal [429, true], [status, refused["error"].include?("quota of 10")]
    assert_equal 429, ask("POST", "/hides", {url: "http://elsewhere.example/"}).first
    hide = ask("POST", "/hides", {url: url}).last
    assert_equal 90, Date.iso8601(hide["ends_on"]) - Date.iso8601(hide["asked_on"])
    assert_equal 200, ask("DELETE", "/hides?url=#{url}").first
    assert_equal [400, 404], [ask("POST", "/days", {count: 0}).first, ask("GET", "/nothing").first]
  end

  def test_a_stored_copy_is_cleared_and_the_page_stays
    url = ask("GET", "/standings").last["rows"].find { |one| one["standing"] == "in_index" }["url"]
    assert ask("GET", "/look?url=#{url}").last["text"]
    assert ask("POST", "/hides", {url: url, only_copy: true}).last["only_copy"]
    assert_equal [nil, "in_index"], ask("GET", "/look?url=#{url}").last.values_at("text", "standing")
    assert_equal 200, ask("DELETE", "/hides?url=#{url}").first
  end

  def test_the_best_pages_for_a_phrase_are_of_all_sites
    told = ask("GET", "/results?phrase=anchor+lights").last
    hosts = told["results"].map { |one| one["url"][%r{//([^/]+)}, 1] }
    assert_includes hosts, "www.skerrylamps.example"
    assert_operator hosts.uniq.size, :>=, 4
    assert_operator told["results"].size, :<=, 10
    assert_equal ["Anchor lights from stock, sent today"], told["paid"].map { |one| one["title"] }.first(1)
    assert_empty ask("GET", "/results?phrase=zeppelin").last["results"]
  end

  def test_its_contract_names_what_it_answers
    contract = YAML.load_file(File.expand_path("../../standins/index/openapi.yaml", __dir__))
    contract["paths"].each do |path, verbs|
      next unless verbs.key?("get")

      today = ask("GET", "/status").last["today"]
      query = path.start_with?("/record") ? "?from=#{today}&to=#{today}" : ""
      query = "?url=http://www.skerrylamps.example/" if path == "/look"
      query = "?phrase=anchor+lights" if path == "/results"
      status, answer = ask("GET", "#{path}#{query}")
      needed = verbs["get"]["responses"]["200"]["content"]["application/json"]["schema"]["required"]
      assert_equal [200, []], [status, needed - answer.keys], path
    end
  end
end

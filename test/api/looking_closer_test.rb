# frozen_string_literal: true

require "csv"
require_relative "../test_helper"

# What tables of a judged crawl tell besides the ledger's rows: occurrences of faults, links, images, rows counted by a
# column. Each also as a file.
class LookingCloserTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"

  def setup
    super
    sign_up
  end

  def where(*conditions) =
    CGI.escape(JSON.generate(all: conditions.map { |field, op, value| {field: field, op: op, value: value} }))

  def file(path)
    custom_request("GET", "/api#{path}", nil, {})
    assert_equal 200, last_response.status, last_response.body
    last_response.body
  end

  def test_causes_and_their_places
    all = call(:get, "/crawls/#{judged}/faults")
    rule = all["rules"].find { |one| one["code"] == "link-to-missing" }
    assert_equal ["Link to a missing page", "Link leads to", "about"], rule.values_at("title", "about", "same")
    assert_includes all["hosts"], "www.skerrylamps.example"

    path = "/crawls/#{judged}/faults/link-to-missing"
    found = call(:get, path)
    gathered = call(:get, "#{path}/gathered")
    assert_equal found["total"], gathered["rows"].sum { |row| row["times"] }
    dead = gathered["rows"].first["same"]
    assert_equal gathered["rows"].first["times"], call(:get, "#{path}?same=#{CGI.escape(dead)}")["total"]
    assert_equal found["total"], CSV.parse(file("#{path}/places.csv"), headers: true).size
    assert_equal found["rows"].first["details"].find { |detail| detail["name"] == "Link leads to" }["value"],
      JSON.parse(file("#{path}/places.jsonl").lines.first)["Link leads to"]
    call(:get, "/crawls/#{judged}/faults/thin/gathered", status: 422)
  end

  def test_every_rule_has_its_title
    assert_includes call(:get, "/rules")["rules"],
      {"code" => "title-long", "title" => "Title too long", "grade" => "weakens"}
  end

  def test_links_to_what_is_missing
    narrow = where(["target_status", "is", 404], %w[type is anchor])
    rows = call(:get, "/crawls/#{judged}/links?where=#{narrow}&sort=target")["rows"]
    totals = call(:get, "/crawls/#{judged}/links/totals?where=#{narrow}")

    assert_equal [404], rows.map { |row| row["target_status"] }.uniq
    assert_equal rows.size, totals["links"]
    assert_equal totals["targets"], call(:get, "/crawls/#{judged}/links/gathered?by=target&where=#{narrow}")["values"]
    assert_equal rows.map { |row| row["text"].to_s },
      CSV
        .parse(
          file("/crawls/#{judged}/links.csv?where=#{narrow}&sort=target&cols=source,text"),
          headers: true
        )
        .map { |row| row["text"].to_s }
    call(:get, "/crawls/#{judged}/links?where=#{where(%w[wind is x])}", status: 422)
  end

  def test_images_and_one_of_them_as_it_is_now
    images = call(:get, "/crawls/#{judged}/images?sort=-pages")
    assert_equal images["total"], CSV.parse(file("/crawls/#{judged}/images.csv"), headers: true).size
    shown = images["rows"].find { |row| row["status"] == 200 && row["url"].start_with?(WWW) }
    refute_empty file("/crawls/#{judged}/urls/#{shown["url_id"]}/image")
    assert_match %r{\Aimage/}, last_response.headers["content-type"]
    assert_match(/sandbox/, last_response.headers["content-security-policy"])
    call(:get, "/crawls/#{judged}/urls/#{shown["page_id"]}/image", status: 404)
  end

  def test_robots_txt_and_sitemaps_are_read_again_by_themselves
    now = worked("/crawls/#{judged}/robots/again", {origin: WWW})
    assert_equal [200, true], now.values_at("status", "same")
    file = call(:get, "/crawls/#{judged}/sitemaps")["files"].find { |one| one["entries"].positive? }
    read = worked("/crawls/#{judged}/sitemaps/again", {url: file["url"]})
    assert_equal [200, file["listed"], 0], [read["status"], read["entries"], read["came"]["total"]]
    call(:post, "/crawls/#{judged}/sitemaps/again", {url: "#{WWW}/none.xml"}, status: 404)
  end

  def test_rows_counted_by_a_column
    by_status = call(:get, "/crawls/#{judged}/gathered?by=status&where=#{where(%w[kind is html])}")
    assert_equal call(:get, "/crawls/#{judged}/totals?where=#{where(%w[kind is html])}")["urls"],
      by_status["rows"].sum { |row| row["urls"] }
    assert_equal by_status["values"],
      CSV.parse(
        file("/crawls/#{judged}/gathered.csv?by=status&where=#{where(%w[kind is html])}"),
        headers: true
      ).size
  end
end

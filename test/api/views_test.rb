# frozen_string_literal: true

require_relative "../test_helper"

# Saved views of the ledger, and the conditions that only they and the screen can put together.
class SavedViewsTest < Minitest::Test
  include ApiHere

  def site = Store::Crawling::Crawl.find(judged).site_id

  def found(*parts) =
    call(:get, "/crawls/#{judged}/urls?limit=500&where=#{CGI.escape(JSON.generate(all: parts))}")["rows"].map do |row|
      row["url"].delete_prefix("http://www.skerrylamps.example")
    end

  def test_a_view_is_kept_replaced_and_dropped
    sign_up
    view = {
      name: " Thin guides ",
      where: JSON.generate(all: [{field: "words", op: "below", value: 200}]),
      columns: %w[url words],
      sort: "-words"
    }
    kept = call(:post, "/sites/#{site}/views", view)["views"]
    assert_equal [["Thin guides", view[:where], %w[url words], "-words", PERSON[:name]]],
      kept.map { |one| one.values_at("name", "where", "columns", "sort", "made_by") }
    again = call(:post, "/sites/#{site}/views", {name: "Thin guides"})["views"]
    assert_equal [[kept.first["id"], nil, nil]], again.map { |one| one.values_at("id", "where", "columns") }
    assert_empty call(:delete, "/sites/#{site}/views/#{kept.first["id"]}")["views"]
  end

  def test_a_view_that_could_not_be_looked_through_is_refused
    sign_up
    bad = {"{" => /not JSON/, JSON.generate(all: [{field: "wind", op: "is", value: 1}]) => /no column/}
    bad.each do |where, message|
      assert_match message, call(:post, "/sites/#{site}/views", {name: "x", where: where}, status: 422)["detail"]
    end
    assert_match(/name/, call(:post, "/sites/#{site}/views", {name: " "}, status: 422)["detail"])
    assert_match(
      /no column/,
      call(:post, "/sites/#{site}/views", {name: "x", columns: ["wind"]}, status: 422)["detail"]
    )
    assert_match(/no column/, call(:post, "/sites/#{site}/views", {name: "x", sort: "wind"}, status: 422)["detail"])
  end

  def test_patterns_dates_lists_and_groups_of_conditions
    sign_up
    masthead = found({field: "url", op: "matches", value: "/lamps/masthead/*"})
    assert_equal masthead, found({field: "url", op: "matches", value: "/masthead\\/[a-z0-9-]*$/"})
    assert_includes masthead, "/lamps/masthead/ms-70-bronze"
    assert_empty found({field: "url", op: "matches_not", value: "/lamps/masthead/*"}) & masthead
    assert_equal %w[/about /contact],
      found(
        {
          any: [
            {field: "url", op: "ends", value: "/about"},
            {field: "url", op: "ends", value: "/contact"}
          ]
        }
      ).sort
    assert_equal %w[/about],
      found(
        {
          field: "url",
          op: "one_of",
          value: %w[http://www.skerrylamps.example/about http://www.skerrylamps.example/x]
        }
      )
    # The crawl may have been made before midnight.
    yesterday = (Time.now.utc - 86_400).strftime("%Y-%m-%d")
    assert_includes found({field: "fetched_at", op: "since", value: yesterday}), "/about"
    assert_empty found({field: "fetched_at", op: "before", value: "2020-01-01T00:00:00Z"})
    assert_equal 422,
      call(
        :get,
        "/crawls/#{judged}/urls?where=#{CGI.escape(JSON.generate(field: "fetched_at", op: "since", value: "May"))}",
        status: 422
      )[
        "status"
      ]
  end
end

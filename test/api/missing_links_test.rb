# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/judged_site"

# Links that should be: found, accepted, in a fix with their words; topics; hosts that are lost.
class MissingLinksApiTest < Minitest::Test
  include JudgedSite

  def test_links_are_found_accepted_and_become_a_fix
    assert_nil call(:get, path)["made_at"]
    assert_operator worked(path, {})["found"], :>, 3
    told = call(:get, path)
    assert_equal ["open"], told["proposals"].map { |one| one["state"] }.uniq
    assert_operator told["proposals"].map { |one| one["source"] }.tally.values.max, :<=, 3
    first = told["proposals"].first
    assert_includes first["sentence"], first["words"]
    refute linked?(first), "it isn't there yet"
    assert_empty told["proposals"].select { |one| link_text?(one) }, "what is a link can't carry another"
    links = [[first["target"], first["words"]], [linked_already(first["source_id"]), "it is there"]]
    decide(first["source"], {links: links.map { |target, text| {target: target, text: text} }, refused: []})
    assert_equal "accepted", call(:get, path)["proposals"].first["state"]
    worked("/sites/#{@site}/fixes/again", {})
    links = Store::Workplan::Fix.where(site_id: @site, kind: "links")
    fix = links.find { |one| one.faults.any? { |fault| fault["code"] == "accepted-link" } }
    mine = fix.faults.select { |fault| fault["code"] == "accepted-link" && fault["url"] == first["source"] }
    assert_equal [first["target"]], mine.map { |fault| fault["about"] }, "what is linked already is done"
    sheet = call(:get, "/sites/#{@site}/fixes/#{fix.name}")
    assert_includes sheet["conditions"].map { |one| one["condition"] }, "links to #{first["target"]}"
    rows = CSV.parse(sheet["text"].first["content"], headers: true).map(&:to_h)
    row = rows.find { |one| one["page"] == first["source"] && one["wanted"] == first["target"] }
    assert_equal [nil, first["words"]], row.values_at("present", "anchor")
    decide(first["source"], {links: [], refused: [first["target"]]})
    assert_equal "refused", call(:get, path)["proposals"].first["state"]
  end

  def test_four_links_from_one_page_are_too_many
    links = (1..4).map { |n| {target: "http://www.skerrylamps.example/#{n}", text: "x"} }
    decide("http://www.skerrylamps.example/", {links: links, refused: []}, status: 422)
  end

  private

  def path = "/sites/#{@site}/missing-links"

  def decide(subject, value, status: 200)
    wish = {kind: "link", values: [{subject: subject, value: value}]}
    call(:post, "/sites/#{@site}/decisions", wish, status: status)
  end

  def linked?(proposal) = link?("target_id = $3", proposal.values_at("source_id", "target_id"))

  def linked_already(source_id)
    crawl = Store::Sites::Site.find(@site).newest_crawl
    Store::Postgres::Sql.rows(
      "SELECT u.url FROM links l JOIN urls u ON u.id = l.target_id WHERE l.crawl_id = $1 AND l.source_id = $2 AND " \
      "l.type = 0 AND l.internal AND l.source_id <> l.target_id ORDER BY l.position LIMIT 1",
      [crawl.id, source_id]
    ).first.fetch("url")
  end

  def link_text?(proposal) = link?("text = $3", proposal.values_at("source_id", "sentence"))

  def link?(which, values)
    crawl = Store::Sites::Site.find(@site).newest_crawl
    Store::Postgres::Sql.rows(
      "SELECT 1 FROM links WHERE crawl_id = $1 AND source_id = $2 AND type = 0 AND #{which}",
      [crawl.id, *values]
    ).any?
  end

  def forget
    %w[missing_links fixes].each do |table|
      Store::Postgres::Sql.run("DELETE FROM #{table} WHERE site_id = $1", [@site])
    end
    Store::Sites::Site.find(@site).decisions.values("link").each_key { |subject| decide(subject, nil) }
  end
end

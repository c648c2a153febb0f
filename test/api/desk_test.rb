# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"
require_relative "../support/gazetteer"

# The words of one page over HTTP: phrases, rivals, draft, hand over; and pages after their scripts.
class DeskApiTest < Minitest::Test
  include ApiHere

  WWW = "http://www.skerrylamps.example"
  PAGE = "#{WWW}/lamps/anchor/al-30-brass"
  RIVALS = %w[http://www.tidewright.example/lights/anchor-light http://www.beaconyard.example/catalogue/anchor].freeze

  def setup
    super
    sign_up
    @crawl = Store::Crawling::Crawl.find(judged)
    @site = @crawl.site_id
    forget
    rivals_are_at_the_stand_in
  end

  def teardown
    forget
    super
  end

  def test_a_page_is_held_against_rivals_drafted_and_handed_over
    assert_includes call(:get, "/sites/#{@site}/desk?text=anchor")["pages"].map { |one| one["url"] }, PAGE
    sheet = call(:get, desk)
    assert_equal [[], nil, {}], sheet.values_at("rivals", "read_at", "draft")
    sheet = call(:put, desk, {phrases: ["anchor light"], rivals: [*RIVALS, "http://nobody.example/"]})
    assert_equal [nil], sheet["rivals"].map { |one| one["read_at"] }.uniq
    worked("#{desk}/read", {})
    sheet = call(:get, desk)
    assert sheet["read_at"]
    assert_equal [true, true, false], sheet["rivals"].map { |one| !one["title"].nil? }
    assert_match(/no answer/, sheet["rivals"].last["problem"])
    picture = sheet["pictures"].first
    assert_operator picture["bytes"], :>, 100
    assert_equal [true, true], [picture["drawn"], picture["used_by"].positive?].map { |one| one && true }
    seen = call(:get, "#{desk}/pictures")["pictures"].find { |one| one["url"] == picture["url"] }
    assert_match(%r{<svg}, seen["preview"].delete_prefix("data:image/svg+xml;base64,").unpack1("m"))
    assert_operator sheet["measures"].find { |one| one["name"] == "words" }["median"], :>, 50
    assert(sheet["suggestions"].any? { |one| one["why"].include?("2 of 2 rivals use it") })
    title = "Anchor light AL-30 of brass, seen all round | Skerry Lamp Works"
    drafted = call(:put, desk, {draft: {title: title, headings: ["The AL-30 anchor light in brass"]}})
    assert_operator drafted["draft_fit"], :>, drafted["fit"]
    assert_equal [sheet["page"]["title"], title], drafted["results"].map { |one| one["title"] }
    assert_equal title, call(:get, desk)["draft"]["title"], "it is kept"
    fix = call(:post, "#{desk}/hand-over", {}, status: 201)["id"]
    told = call(:get, "/sites/#{@site}/fixes/#{fix}")
    assert_equal ["handed over", "content"], told.values_at("state", "kind")
    assert_includes told["conditions"].map { |one| one["condition"] }, "its title is “#{title}”"
    rows = CSV.parse(told["text"].first["content"], headers: true).map(&:to_h)
    assert_equal [["title", title], ["h1", "The AL-30 anchor light in brass"]],
      rows.map { |row| row.values_at("element", "after") }
    assert_match(/not done/, call(:post, "/sites/#{@site}/fixes/claim", {ids: [fix]})["fixes"].inspect + proved(fix))
  end

  def test_what_can_t_be_kept_is_told
    call(:put, desk, {rivals: ["nowhere"]}, status: 422)
    call(:put, desk, {phrases: [" "]}, status: 422)
    call(:post, "#{desk}/hand-over", {}, status: 422)
    call(:get, "/sites/#{@site}/desk/1", status: 404)
    call(:post, "/sites/#{@site}/best-pages", {phrase: "anchor light"}, status: 202)
  end

  def test_structured_data_are_written_from_the_page_and_proved
    text = call(:post, "#{desk}/data", {kinds: %w[Product BreadcrumbList]})["text"]
    assert_equal %w[Product BreadcrumbList], JSON.parse(text)["@graph"].map { |one| one["@type"] }
    call(:post, "#{desk}/data", {kinds: %w[Lamp]}, status: 422)
    call(:put, desk, {draft: {data: "{"}}, status: 422)
    call(:put, desk, {draft: {data: text}})
    fix = call(:post, "#{desk}/hand-over", {}, status: 201)["id"]
    assert_equal "not done", proved(fix)
  end

  def test_a_file_is_a_rival_too
    text = "Anchor lights of brass burn oil. Brass anchor lights."
    sheet = call(:post, "#{desk}/files", {name: "notes.txt", text: text})
    assert_equal ["file:notes.txt", 9], sheet["rivals"].first.values_at("source", "words")
  end

  def test_an_index_is_asked_for_the_best_pages
    call(:post, "/sites/#{@site}/indexes", {name: "G", address: "http://127.0.0.1:#{GazetteerHere.port}"}, status: 201)
    told = worked("/sites/#{@site}/best-pages", {phrase: "anchor lights"})
    assert_includes told["results"].map { |one| one["url"] }, RIVALS.first
    assert_equal 2, told["paid"].size
  end

  def test_a_page_is_read_and_rendered_and_drawn_with_its_draft
    reading = call(:get, "/crawls/#{@crawl.id}/urls/#{id}/reading?query=brass")
    heading = reading["lines"].find { |line| line["level"] == 1 }
    assert_includes heading["pieces"].map { |piece| piece["text"] }.join, "AL-30"
    assert_operator reading["counts"].first["times"], :>, 1
    marked = reading["lines"].flat_map { |line| line["pieces"] }.select { |piece| piece["marked"] }
    assert_equal ["brass"], marked.map { |piece| piece["text"].downcase }.uniq
    looks = worked("/crawls/#{@crawl.id}/urls/#{id}/looks", {})
    assert_equal [["crawler", 1280], ["visitor", 1280], ["visitor", 390]],
      looks["looks"].map { |one| one.values_at("agent", "width") }
    assert(looks["looks"].all? { |one| one["screenshot"] && one["status"] == 200 })
    call(:put, desk, {draft: {title: "x"}})
    assert worked("#{desk}/preview", {})["screenshot"]
  end

  private

  def id = IronTrellis::Core::Url::NormalForm.id(@site, PAGE)

  def desk = "/sites/#{@site}/desk/#{id}"

  def proved(fix) = worked("/sites/#{@site}/fixes/prove", {ids: [fix]})["fixes"].first["state"]

  def forget
    %w[desk_pages desk_reads fixes].each do |table|
      Store::Postgres::Sql.run("DELETE FROM #{table} WHERE site_id = $1", [@site])
    end
    Store::Evidence::Index.where(site_id: @site).destroy_all
  end

  def rivals_are_at_the_stand_in
    site = Store::Sites::Site.find(@site)
    hosts = RIVALS.map { |url| url[%r{//([^/]+)}, 1] }
    resolve = hosts.to_h { |host| ["#{host}:80", "127.0.0.1:#{SiteServer.skerry.port}"] }
    site.update!(settings: site.settings.merge("resolve" => site.settings["resolve"].merge(resolve)))
  end
end

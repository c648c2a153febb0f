# frozen_string_literal: true

require "csv"
require "rexml/document"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# The exact texts that fixes carry, read back by other libraries and by our own readers.
class FixTextsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Work = IronTrellis::Work
  Core = IronTrellis::Core
  SMALL = "http://small.example"

  def setup
    super
    xml = {"content-type" => "application/xml"}
    listed = %w[/ /a /gone /hidden].map { |path| "<url><loc>#{SMALL}#{path}</loc></url>" }.join
    @crawl =
      crawled(
        {
          "/" =>
            page(
              "Home",
              "<nav><a href=/gone>Old lamps</a></nav><a href=/a>a</a><a href=/b>b</a><a href=/hop>h</a>" \
                "<a href=/secret/x>x</a><a href=/hidden>h</a><a href=/round>r</a><a href=/about>r</a>" \
                "<a href=/back>b</a>" \
                "<img src=/lamp.png>"
            ),
          # Canonicals that lead back to where they began, by another page and by a redirect.
          "/round" => page("Round", "<a href=/>home</a>", head: "<link rel=canonical href=/about>"),
          "/about" => page("About", "<a href=/>home</a>", head: "<link rel=canonical href=/round>"),
          "/back" => page("Back", "<a href=/>home</a>", head: "<link rel=canonical href=/forth>"),
          "/forth" => [301, {"location" => "/back"}, ""],
          "/a" => page("Lamp a", "<a href=/>home</a><a href=/gone>gone</a>"),
          "/b" =>
            page(
              "Lamp b, of brass, and of such a length that no page of results will show it whole",
              "<a href=/a>a</a>"
            ),
          "/hidden" => page("Hidden", "<a href=/>home</a>", head: "<meta name=robots content=noindex>"),
          "/hop" => [301, {"location" => "/hop2"}, ""],
          "/hop2" => [302, {"location" => "/a"}, ""],
          "/secret/x" => page("Secret", "<a href=/>home</a>"),
          "/lamp.png" => [200, {"content-type" => "image/png"}, "png"],
          "/maps/all.xml" => [
            200,
            xml,
            "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">#{listed}</urlset>"
          ],
          "/robots.txt" => [
            200,
            {"content-type" => "text/plain"},
            "User-agent: *\nDisallow: /secret/\nSitemap: #{SMALL}/maps/all.xml\n"
          ]
        }
      )
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    decide("group", "all" => {"intent" => "index"})
    decide("route", "#{SMALL}/gone" => {"to" => "#{SMALL}/b", "status" => 301})
    Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })
    Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
    @lines = Work::Workplan::Listing.new(@site).call
  end

  def test_each_fault_has_a_condition
    @lines.each do |line|
      assert_equal line["faults"].map { |one| one["url"] }, line["conditions"].map { |one| one["url"] }, line["kind"]
      refute(line["conditions"].any? { |one| one["condition"].match?(/%[{<]/) }, line["conditions"].inspect)
    end
    assert_includes conditions("redirects"),
      "answers 200, leads for good (301 or 308) in one hop to a page that answers 200 (#{SMALL}/b), or answers 410"
  end

  def test_redirects_are_a_map_and_rules_of_servers
    assert_equal [["#{SMALL}/gone", "#{SMALL}/b", "301"], ["#{SMALL}/hop", "#{SMALL}/a", "301"]],
      table("redirects", "redirects.csv", %w[from to status])
        .first(2)
        .map(&:to_a)
        .map { |row| row.map(&:last) }
    assert_match(%r{RewriteRule "\^/\?gone\$" "http://small\.example/b"}, text("redirects", "redirects.apache.conf"))
    assert_match(%r{small\.example/b}, text("redirects", "redirects.nginx.conf"))
  end

  def test_links_tell_anchor_and_place_and_where_to
    rows = table("links", "links.csv", %w[page present wanted anchor place]).map(&:to_h)
    assert_includes rows,
      {
        "page" => "#{SMALL}/",
        "present" => "#{SMALL}/gone",
        "wanted" => "#{SMALL}/b",
        "anchor" => "Old lamps",
        "place" => "nav"
      }
    assert(rows.any? { |row| row["present"] == "#{SMALL}/hop" && row["wanted"] == "#{SMALL}/a" })
  end

  def test_directives_say_what_is_to_be_taken_out
    rows = table("directives", "directives.csv", %w[url where action text])
    assert_equal [["#{SMALL}/hidden", "html", "remove", '<meta name="robots" content="noindex">']],
      rows.map { |row| row.to_a.map(&:last) }
  end

  def test_robots_txt_opens_what_is_wanted
    whole = text("robots", "robots.txt")
    policy = Core::Robots::Policy.from_answer(status: 200, text: whole, agent: "IronTrellis")
    assert_predicate policy.decide(Core::Url::NormalForm.parse("#{SMALL}/secret/x")), :allowed?
    assert_match(/\A--- robots\.txt\n\+\+\+ robots\.txt\n@@/, text("robots", "robots.diff"))
  end

  def test_sitemaps_stand_under_their_published_names_with_what_will_be_right
    urls =
      REXML::Document
        .new(text("sitemaps", "maps/all.xml"))
        .elements
        .to_a("//loc")
        .map { |one| one.text.delete_prefix(SMALL) }
    assert_equal %w[/ /a /about /b /back /hidden /round], urls.sort,
      "gone leaves, b joins, hidden is opened before, and pages that go round name themselves then"
  end

  def test_texts_name_what_stands_there
    rows = @lines.select { |one| one["kind"] == "content" }.flat_map { |one| parsed(one["text"].first).map(&:to_h) }
    assert(rows.any? { |row| row["element"] == "title" && row["before"].to_s.start_with?("Lamp b, of brass") })
    assert(rows.any? { |row| row["element"] == "alt" && row["before"] == "#{SMALL}/lamp.png" })
  end

  def test_canonicals_are_lines
    row = table("canonicals", "canonicals.csv", %w[url line]).find { |one| one["url"] == "#{SMALL}/a" }
    assert_equal %(<link rel="canonical" href="#{SMALL}/a">), row["line"]
  end

  private

  def lines(kind) = @lines.select { |one| one["kind"] == kind }

  def conditions(kind) = lines(kind).flat_map { |one| one["conditions"] }.map { |one| one["condition"] }

  def file(kind, name) = lines(kind).flat_map { |one| one["text"] }.find { |one| one["name"] == name }

  def text(kind, name) = file(kind, name).fetch("content")

  def table(kind, name, columns)
    assert_equal columns, CSV.parse_line(text(kind, name))
    parsed(file(kind, name))
  end

  def parsed(file) = CSV.parse(file["content"], headers: true).each.to_a

  def decide(kind, values) =
    @site.decisions.decide(
      kind,
      values.to_h { |subject, value| Core::Decisions::Registry.read(kind, subject, value) },
      by: "A test",
      now: Time.now
    )
end

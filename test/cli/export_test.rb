# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

class ExportTest < Minitest::Test
  include TestDatabase
  include AuditRun

  def self.audited
    @audited ||= Object.new.extend(AuditRun).audit_skerry("--site", "to be exported", "--limit", "40")
  end

  def export(*arguments)
    Dir.mktmpdir("export") do |folder|
      path = File.join(folder, "table")
      result = trellis("export", "--site", "to be exported", "--out", path, *arguments)
      assert_equal 0, result.code, result.err
      File.read(path).delete_prefix("\uFEFF")
    end
  end

  def test_urls_links_and_faults_are_those_of_the_audit
    audited = self.class.audited

    assert_equal audited.rows("urls").map { |row| row["url"] }.sort,
      CSV.parse(export("--what", "urls"), headers: true).map { |row| row["url"] }.sort
    assert_equal audited.rows("links"),
      export("--what", "links", "--format", "jsonl").lines.map { |line| JSON.parse(line) }
    faults = CSV.parse(export("--what", "faults"), headers: true)
    assert_equal audited.rows("faults").map { |row| row.values_at("code", "url", "about") },
      faults.map { |row| row.values_at("code", "url", "about") }
    assert_equal audited.rows("faults").first["detail"], JSON.parse(faults.first["detail"])
  end

  def test_sitemaps_are_built_of_what_is_wanted_and_may_be_indexed
    right =
      self
        .class
        .audited
        .rows("urls")
        .select { |row| row["indexable"] && row["stop"].nil? && row["status"] == 200 && row["in_sitemaps"].any? }
        .map { |row| row["url"] }
    Dir.mktmpdir("sitemaps") do |folder|
      result = trellis("sitemap", "build", "--site", "to be exported", "--out", folder)
      assert_equal [0, "Sitemap: http://www.skerrylamps.example/sitemap.xml\n"], [result.code, result.out]
      listed =
        Dir["#{folder}/www.skerrylamps.example/*.gz"].flat_map do |path|
          Zlib.gunzip(File.binread(path)).scan(%r{<loc>([^<]+)</loc>}).flatten
        end
      assert_equal right.sort, listed.sort
    end
  end

  # A note makes no fix alone, and which pages a crawl with a limit meets differs from time to time.
  NOTE = "title-equals-h1"

  def test_fixes_hold_every_fault_once_are_laid_out_and_claimed
    faults = self.class.audited.rows("faults").map { |row| row.values_at("code", "url", "about") }
    faults.reject! { |code, *| code == NOTE }
    fixes = export("--what", "fixes", "--format", "jsonl").lines.map { |line| JSON.parse(line) }
    held = fixes.flat_map { |fix| fix["faults"] + fix["settles"] }
    held.map! { |fault| fault.values_at("code", "url", "about") }
    assert_equal faults.map(&:to_s).sort, held.select { |fault| faults.include?(fault) }.map(&:to_s).sort
    Dir.mktmpdir("fixes") do |folder|
      calendar = File.join(folder, "plan.ics")
      plan = %w[--start 2027-01-04 --owner Ada=6 --out] << calendar
      assert_equal 0, trellis("schedule", "--site", "to be exported", *plan).code
      assert_operator File.read(calendar).scan("BEGIN:VEVENT").size, :>, 5
    end
    result = trellis("claim", "--site", "to be exported", fixes.first["id"])
    assert_equal [0, "#{fixes.first["id"]} claimed: #{fixes.first["title"]}\n"], [result.code, result.out]
    result = trellis("claim", "--site", "to be exported", fixes[1]["id"], "F9999")
    assert_equal [2, "There is no fix F9999 of to be exported.\n"], [result.code, result.err]
    assert_equal 2, trellis("schedule", "--site", "to be exported", "--start", "4.1.2027").code
  end

  def test_the_map_of_a_site_is_written_for_a_server
    self.class.audited
    site = IronTrellis::Store::Sites::Site.find_by(name: "to be exported")
    site.decisions.decide(
      "route",
      {
        "http://www.skerrylamps.example/old" => {
          "to" => "http://www.skerrylamps.example/new",
          "status" => 301,
          "kind" => "exact",
          "query" => "match"
        }
      },
      by: "Test",
      now: Time.now
    )
    result = trellis("routes", "export", "--site", "to be exported", "--format", "nginx")
    assert_equal 0, result.code, result.err
    assert_includes result.out,
      %("www.skerrylamps.example/old" "www.skerrylamps.example/old => 301 http://www.skerrylamps.example/new";)
  end

  def test_what_cannot_be_exported_is_told
    self.class.audited
    {
      %w[--site nobody --what urls] => [3, /no site “nobody”/],
      ["--site", "to be exported", "--what", "all"] => [2, /--what/]
    }.each do |arguments, (code, message)|
      result = trellis("export", "--out", "/tmp/never-written", *arguments)
      assert_equal code, result.code, arguments.inspect
      assert_match message, result.err
    end
  end
end

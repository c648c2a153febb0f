# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

# Commands of the plan and its proof, on a small site that is audited, mended and audited again.
class WorkplanCommandsTest < Minitest::Test
  include TestDatabase
  include AuditRun

  HEAD = '<meta name=viewport content="width=device-width"><meta name=description content="%s">'
  PAGE = ->(title, rest) {
    "<html lang=en><head><title>#{title}</title>#{format(HEAD, "Of #{title}, " * 8)}</head><body><h1>#{title}</h1>" \
      "<p>#{"#{title} are made by hand. " * 40}</p>#{rest}</body></html>"
  }
  PAGES = {
    "/" => PAGE.call("Lamps of brass and of copper for boats", '<a href="/a">a</a><a href="/gone">gone</a>'),
    "/a" => PAGE.call("Lanterns for a long night at the sea", '<a href="/">home</a><a href="/moved">b</a>'),
    "/b" => PAGE.call("Oil that burns well in every lantern", '<a href="/">home</a>'),
    "/moved" => [301, {"location" => "/b"}, ""]
  }.freeze

  # Audited once for all tests; the pages behind it are given back as they were.
  def self.site
    @site ||= SmallSite.new(PAGES).tap { |server| crawl(server) }
  end

  def self.crawl(server)
    Object.new.extend(AuditRun).audit(
      "http://small.example/", "--site", "to be proved", "--resolve", "small.example:80:127.0.0.1:#{server.port}"
    )
  end

  def setup
    super
    self.class.site
  end

  def on_site(command, *arguments) = trellis(command, "--site", "to be proved", *arguments)

  def fixes
    Dir.mktmpdir("fixes") do |folder|
      out = File.join(folder, "fixes.jsonl")
      result = on_site("fixes", "--out", out)
      assert_equal 0, result.code, result.err
      File.readlines(out).map { |line| JSON.parse(line) }
    end
  end

  def fix_of(code) = fixes.find { |fix| fix["faults"].any? { |fault| fault["code"] == code } }

  def test_what_is_said_to_be_done_is_looked_at_live
    fix = fix_of("link-to-redirect")
    result = on_site("prove", fix["id"], "--json")
    assert_equal 0, result.code, result.err
    told = JSON.parse(result.out).find { |one| one["id"] == fix["id"] }
    assert_equal %w[id state checked met unmet], told.keys.first(5)
    refute_equal "proved", told["state"]
    unmet = told["unmet"].find { |one| one["url"] == "http://small.example/a" }
    assert_equal %w[url condition found], unmet.keys
    assert_includes unmet["found"], "it has the link still"
    self.class.site.change("/a" => PAGES["/a"].sub("/moved", "/b"))
    result = on_site("prove", fix["id"])
    assert_match(/\A#{fix["id"]} \w+: \d+ of \d+ conditions hold\n/, result.out)
    refute_includes result.out, "http://small.example/a:"
  ensure
    self.class.site.change("/a" => PAGES["/a"])
  end

  def test_fixes_that_are_not_there_and_states_that_are_none_are_told
    [on_site("prove", "F9999"), on_site("claim", "F9999"), on_site("claim")].each do |result|
      assert_equal 2, result.code, result.err
    end
    result = on_site("fixes", "--state", "gone", "--out", "/tmp/never-written")
    assert_equal [2, true], [result.code, result.err.include?("There is no state “gone”; use one of open,")]
  end

  def written(command, name, *arguments)
    Dir.mktmpdir("written") do |folder|
      path = File.join(folder, name)
      result = on_site(command, "--out", path, *arguments)
      assert_equal 0, result.code, result.err
      File.binread(path)
    end
  end

  def test_the_plan_is_printed_or_written_in_four_forms
    printed = JSON.parse(on_site("schedule", "--start", "2027-01-04", "--owner", "Ada=6").out)
    assert_empty %w[schedule objective bound gap proved late impossible without_owner] - printed.keys
    ids = printed["schedule"].map { |one| one["id"] }
    assert_equal printed, JSON.parse(written("schedule", "plan.json", "--start", "2027-01-04"))
    rows = CSV.parse(written("schedule", "plan.csv", "--start", "2027-01-04").force_encoding("UTF-8"), headers: true)
    assert_equal ids.sort, rows.map { |row| row[0] }.sort
    assert_operator written("schedule", "plan.ics", "--start", "2027-01-04").scan("BEGIN:VEVENT").size, :>=, ids.size
    assert_equal "PK", written("schedule", "plan.xlsx", "--start", "2027-01-04")[0, 2]
  end

  def test_what_cannot_be_laid_out_is_told
    {
      %w[--start 2027-13-01] => /a day such as/,
      %w[--start 2027-01-04 --owner Ada] => /NAME=HOURS_A_DAY/,
      %w[--start 2027-01-04 --owner Ada=30] => /hours/,
      %w[--start 2027-01-04 --out plan.txt] => /must end in/
    }.each do |arguments, message|
      result = on_site("schedule", *arguments)
      assert_equal 2, result.code, arguments.inspect
      assert_match message, result.err
    end
  end

  def test_the_report_is_written_for_paper_for_browsers_and_as_a_workbook
    assert_equal "%PDF-", written("report", "report.pdf")[0, 5]
    page = written("report", "report.html").force_encoding("UTF-8")
    IronTrellis::Core::Proofs::Report::SECTIONS.each_value { |title| assert_includes page, title }
    refute_match(/(?:src|href)="https?:/, page, "nothing is loaded from elsewhere")
    assert_equal "PK", written("report", "report.xlsx")[0, 2]
    assert_equal 2, on_site("report", "--out", "report.doc").code
  end

  def test_files_that_cannot_be_written_are_told_without_a_stack_trace
    [
      %w[report --out /nonexistent/report.pdf], %w[fixes --out /nonexistent/fixes.jsonl],
      %w[schedule --start 2027-01-04 --owner Ada=6 --out /nonexistent/plan.csv],
      %w[schedule --start 2027-01-04 --owner Ada=6 --out /nonexistent/plan.json],
      %w[export --what urls --out /nonexistent/urls.csv]
    ].each do |command, *arguments|
      result = on_site(command, *arguments)
      assert_equal 3, result.code, command
      assert_match(%r{/nonexistent}, result.err)
      refute_match(/\.rb:\d+/, result.err, "no stack trace")
    end
  end
end

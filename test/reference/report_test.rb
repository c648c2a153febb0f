# frozen_string_literal: true

require "open3"
require "roo"
require "tempfile"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# A report's numbers against the database, its paper read by Poppler (pdftotext) and by roo.
class ReportReferenceTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Fix = Store::Workplan::Fix

  def setup
    super
    crawled(
      {"/" => page("Home", "<a href=/a>a</a><a href=/gone>gone</a><a href=/out>out</a>"),
       "/a" => page("Lamp a", "<a href=/>home</a>"),
       "/out" => page("Out", "<a href=/>home</a>", head: "<meta name=robots content=noindex>")}
    )
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    decision = IronTrellis::Core::Decisions::Registry.read("group", "all", {"intent" => "index"})
    @site.decisions.decide("group", [decision].to_h, by: "A test", now: Time.now)
    IronTrellis::Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })
    IronTrellis::Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
    Fix.of(@site).order(:number).limit(2).each { |fix| fix.become("proved", now: Time.now) }
    IronTrellis::Work::Proofs::Reporting.keep(@site, {"foreword" => "For Mona.\n\nThank you.", "logo" => ""})
    @reporting = IronTrellis::Work::Proofs::Reporting.new(@site.reload, now: Time.now)
  end

  def test_numbers_are_those_of_the_database
    numbers = @reporting.report.numbers
    sums = Store::Postgres::Sql.rows(<<~SQL, [@site.id]).first
      SELECT count(*) FILTER (WHERE state = 'proved') AS proved, count(*) FILTER (WHERE state = 'open') AS open,
        round((sum(benefit) FILTER (WHERE state = 'proved'))::numeric, 1)::float AS freed,
        round((sum(benefit) FILTER (WHERE state <> 'proved'))::numeric, 1)::float AS to_free
      FROM fixes WHERE site_id = $1
    SQL
    assert_equal sums, numbers.slice("proved", "open", "freed", "to_free")
    run = @site.newest_crawl.verdict_run
    stopped =
      Store::Postgres::Sql
        .rows("SELECT count(*) AS pages FROM ledger_rows_#{run.id} WHERE wanted AND stop IS NOT NULL")
        .first["pages"]
    assert_equal stopped, numbers["stopped_now"]
  end

  def test_poppler_reads_the_sentences_of_the_pdf
    pdf = IronTrellis::Work::Reports::Pdf.write(@reporting.paper)
    text = Tempfile.create(["report", ".pdf"], binmode: true) do |file|
      file.write(pdf)
      file.flush
      Open3.capture2("pdftotext", "-layout", file.path, "-").first
    end
    words = text.gsub(/\s+/, " ")
    assert_includes words, "Thank you."
    @reporting.sections.flat_map(&:sentences).each { |sentence| assert_includes words, sentence.gsub(/\s+/, " ") }
  end

  def test_roo_reads_the_workbook
    Tempfile.create(["report", ".xlsx"], binmode: true) do |file|
      file.write(IronTrellis::Ports::Reports::Xlsx.write(@reporting.paper))
      file.flush
      book = Roo::Excelx.new(file.path)
      assert_equal IronTrellis::Core::Proofs::Report::SECTIONS.values, book.sheets
      rows = book.sheet("What was done").each_row_streaming.map { |row| row.map(&:value) }
      assert_equal Fix.of(@site).where(state: "proved").pluck(:benefit).sort,
        rows.select { |row| row[0].to_s.match?(/\AF\d/) }.map { |row| row[3] }.sort
    end
  end
end

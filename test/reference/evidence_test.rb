# frozen_string_literal: true

require "tmpdir"
require_relative "../test_helper"
require "open3"
require_relative "../support/database"
require_relative "../support/evidence_site"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/web_servers"
require_relative "../support/workbooks"

# Evidence against what others say of it: Apache's own logs, another computation of means and sums, Snowball's
# vocabularies, a workbook as the standard has it.
class EvidenceReferenceTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold
  include Workbooks

  Core = IronTrellis::Core

  # mod_log_config of the Apache of this machine, in its two usual formats.
  def test_lines_that_apache_writes_are_read_as_they_were_asked
    asked = {
      "/plain?q=1" => "Lampbot/1.0",
      "/quo%22te" => 'say "hi" \\ back',
      "/%C3%A5" => "Lampbot (ümlaut)",
      "/tab" => "a\tb"
    }
    lines = WebServer.logged(asked)
    combined, common = lines.partition { |line| line.include?("Lampbot") || line.count('"') > 2 }
    assert_equal [asked.size, asked.size], [combined.size, common.size]
    told = combined.map { |line| Core::Evidence::LogLine.new(line) }
    # Which of two answers is written down first is for the server to say.
    assert_equal asked, told.to_h { |line| [line.target, line.agent] }
    assert_equal [404], told.map(&:status).uniq
    assert_in_delta Time.now.to_i, told.first.time.to_i, 60
    assert_equal asked.keys.sort, common.map { |line| Core::Evidence::LogLine.new(line).target }.sort
  end

  # The same numbers added up by Ruby's rational numbers.
  def test_sums_and_means_are_those_of_another_computation
    random = Random.new(11)
    rows =
      Array.new(400) do
        [
          "http://small.example/#{random.rand(12)}",
          random.rand(30),
          random.rand(1..900),
          (1 + random.rand * 60).round(1),
          Date.new(2026, 11, 28) - random.rand(300)
        ]
      end
    rows.uniq! { |url, _, _, _, day| [url, day] }
    crawled({"/" => page("Home")})
    import("pages", "url,clicks,impressions,position,date\n#{rows.map { |row| row.join(",") }.join("\n")}\n")
    basis = Store::Evidence::Basis.of(@site, now: NOW)
    sql = Store::Evidence::EvidenceByUrl.new(@site, basis).sql
    found = Store::Postgres::Sql.rows(sql).to_h { |row| [row["url"], row] }
    rows
      .group_by(&:first)
      .each do |url, all|
        inside = all.select { |row| basis.windows.middle.cover?(row[4]) }
        weight = inside.sum { |row| row[2] }
        mean = inside.sum { |row| row[3].to_r * row[2] } / weight
        assert_equal [inside.sum { |row| row[1] }, weight, mean.round(1).to_f],
          found[url].values_at("clicks", "impressions", "position"),
          url
      end
  end

  # From the samples of vocabulary that Snowball publishes with each stemmer (English, Portuguese, Italian, Danish,
  # Norwegian), from memory of its pages.
  STEMS = {
    "en" => {
      "consigned" => "consign",
      "consistency" => "consist",
      "knightly" => "knight",
      "knots" => "knot"
    },
    "pt" => {
      "boataria" => "boat",
      "quilométricas" => "quilometr"
    },
    "it" => {
      "abbandonata" => "abbandon",
      "pronunciamento" => "pronunc"
    },
    "da" => {
      "indtaget" => "indtag",
      "undersøgelse" => "undersøg"
    },
    "nb" => {
      "havnedistriktet" => "havnedistrikt",
      "opningens" => "opning"
    }
  }.freeze

  def test_stems_are_those_of_snowball
    STEMS.each do |language, words|
      words.each do |word, stem|
        fold = ->(text) { text.unicode_normalize(:nfkd).gsub(/\p{Mn}/, "") }
        assert_equal fold.call(stem),
          Core::Content::Vocabulary.for(language).stems(word).keys.first,
          "#{language}: #{word}"
      end
    end
  end

  # Texts within their cells, whole and broken numbers, a date by its format.
  def test_a_workbook_as_the_standard_has_it_is_read
    rows =
      "<row r=\"1\">#{cell("A1", "url")}#{cell("B1", "clicks")}#{cell("C1", "position")}#{cell("D1", "date")}</row>" \
        "<row r=\"2\">#{cell("A2", "http://a.test/")}<c r=\"B2\"><v>1200</v></c><c r=\"C2\"><v>3.5</v></c>" \
        "<c r=\"D2\" s=\"1\"><v>46354</v></c></row>"
    with_workbook(SHEET => sheet(rows)) do |path|
      table = IronTrellis::Ports::Tables::Workbook.new(path)
      assert_equal %w[url clicks position date], table.headings
      assert_equal [%w[http://a.test/ 1200 3.5 2026-11-28]], table.to_enum(:each).map { |cells, _, _| cells }
    end
  end

  # Source: npm's write-excel-file, which writes texts that cells share, formats of its own, and styles without any.
  def test_a_workbook_of_another_writer_is_read
    rows = [
      ["url", "clicks", "position", "date", "Größe"],
      ["http://a.test/", 1_234_567, 3.25, "date:2026-11-28", "ä < b & \"c\""],
      ["http://a.test/é", nil, 0.1, "date:2024-02-29", "=1+1"]
    ]
    Dir.mktmpdir do |folder|
      path = File.join(folder, "book.xlsx")
      _, error, status =
        Open3.capture3("node", File.join(__dir__, "workbook.mjs"), path, stdin_data: JSON.generate(rows))
      assert status.success?, error
      table = IronTrellis::Ports::Tables::Workbook.new(path)
      assert_equal rows.first, table.headings
      assert_equal [
        ["http://a.test/", "1234567", "3.25", "2026-11-28", "ä < b & \"c\""],
        ["http://a.test/é", "", "0.1", "2024-02-29", "=1+1"]
      ],
        table.to_enum(:each).map { |cells, _, _| cells }
    end
  end
end

# frozen_string_literal: true

require "zlib"
require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# The commands evidence, triage and list, from their arguments to what they print, write and exit with.
class EvidenceCommandsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  def test_import_prints_one_json_value_and_judges_again
    crawl
    out, err, code =
      run_command(
        "evidence",
        "import",
        file("a.csv", "url,standing\nhttp://small.example/a,in_index\n"),
        "--site",
        @site.name,
        "--kind",
        "standings",
        "--json"
      )
    assert_equal %w[
      kind
      index
      date
      rows
      kept
      unchanged
      replaced
      out_of_scope
      not_crawled
      whole
      wrong
      wrong_count
      other_hosts
    ],
      JSON.parse(out).keys
    assert_equal 0, code
    assert_match(/Judging crawl 1 again/, err)
    run_command("export", "--site", @site.name, "--what", "urls", "--format", "jsonl", "--out", path("urls.jsonl"))
    rows = File.readlines(path("urls.jsonl")).map { |line| JSON.parse(line) }
    assert_equal %w[
      standing
      standing_reason
      standing_date
      last_fetched
      chosen_canonical_by_index
      clicks
      impressions
      position
      queries
      outside_links
      goals
      dropped
    ],
      rows.first.keys.last(12)
    assert_equal %w[in_index not_known],
      rows.select { |row| row["url"].match?(%r{/a?\z}) }.map { |row| row["standing"] }.sort
  end

  def test_what_cannot_be_used_exits_with_two_and_says_why
    url = "url,standing\nhttp://small.example/a,in_index\n"
    [
      [["a.csv", "Address,Coverage\nx,y\n"], %w[--kind standings], /“Address”, “Coverage”.*url, standing/],
      [["a.csv", url], %w[--kind standings --sample --whole], /whole or a sample/],
      [["a.csv", url], %w[--kind standings --value gone=Gone], /no standing “gone”/],
      [["a.csv", url], %w[--kind standings --column colour=x], /no field “colour”/],
      [["a.csv", url], %w[--kind standings --date 2999-01-01], /after today/],
      [["a.csv", url], %w[--kind standings --date tomorrow], /no date/],
      [["a.csv", ""], %w[--kind standings], /empty/],
      [["a.xlsx", "PK\u0003\u0004..."], %w[--kind standings], /workbook can't be read/]
    ].each do |(name, text), options, said|
      _, err, code = run_command("evidence", "import", file(name, text), "--site", @site.name, *options)
      assert_equal 2, code, options.inspect
      assert_match said, err
    end
    assert_equal 0,
      run_command(
        "evidence",
        "import",
        file("a.csv", "url,standing\n"),
        "--site",
        @site.name,
        "--kind",
        "standings"
      ).last
    assert_equal 3,
      run_command("evidence", "import", path("none.csv"), "--site", @site.name, "--kind", "standings").last
  end

  def test_triage_before_a_crawl_and_of_an_index_that_there_is_not
    import("standings", "url,standing\nhttp://shop.test/a,missing\n")
    assert_equal 3, run_command("triage", "--site", @site.name, "--out", path("t.jsonl")).last
    _, err, code = run_command("triage", "--site", @site.name, "--index", "other", "--out", path("t.jsonl"))
    assert_equal [2, true], [code, err.include?("no index “other”")]
  end

  def test_triage_writes_a_line_a_url
    crawl
    import("standings", "url,standing\nhttp://small.example/a,passed_over\nhttp://small.example/none,missing\n")
    assert_equal 0, run_command("triage", "--site", @site.name, "--out", path("t.jsonl")).last
    lines = File.readlines(path("t.jsonl")).map { |line| JSON.parse(line) }
    assert_equal IronTrellis::Work::Triage::Lines::COLUMNS, lines.first.keys
    assert_equal [%w[undervalued settled], [200, 404]],
      [lines.map { |one| one["class"] }, lines.map { |one| one["status"] }]
  end

  def test_list_keeps_every_row_with_its_own_columns
    crawl
    list =
      file(
        "list.csv",
        "Page;Note;status\nhttp://small.example/a/;x;7\nhttps://www.small.example/a;y;8\n" \
          "http://small.example/A;z;9\nnothing;;\nhttp://small.example/no;;\n"
      )
    assert_equal 2, run_command("list", list, "--site", @site.name, "--out", path("l.jsonl")).last
    assert_equal 0,
      run_command("list", list, "--site", @site.name, "--column", "url=page", "--out", path("l.jsonl")).last
    rows = File.readlines(path("l.jsonl")).map { |line| JSON.parse(line) }
    assert_equal ["slash", "host", "case", nil, nil], rows.map { |row| row["matched_by"] }
    assert_equal %w[Page Note], rows.first.keys.first(2)
    assert_equal ["7", 200, 200, "http://small.example/a"],
      rows.first.values_at("own status", "status", "live_status", "live_final_url")
    assert_equal [nil, 404], rows.last(2).map { |row| row["live_status"] }
    assert_equal 0,
      run_command(
        "list",
        file("plain.txt", "http://small.example/a\nhttp://small.example/\n"),
        "--site",
        @site.name,
        "--no-fetch",
        "--out",
        path("l.csv")
      ).last
    assert_equal %w[url url],
      CSV.read(path("l.csv"), headers: true, encoding: "bom|utf-8").map { |row| row["matched_by"] }
  end

  def test_logs
    bot = "Mozilla/5.0 (compatible; Lampbot/2.1; +http://lamp.test/)"
    log =
      file(
        "log",
        [
          hit("/a", bot, peer: "192.0.2.7"),
          hit("/a", bot),
          hit("/a", "Mozilla/5.0"),
          hit("http://other.test/", bot),
          "nothing"
        ].join("\n")
      )
    out, = run_command("evidence", "logs", log, "--site", @site.name, "--verified", "lampbot=192.0.2.0/24", "--json")
    assert_equal(
      {
        "kind" => "logs",
        "rows" => 5,
        "kept" => 3,
        "unchanged" => 0,
        "out_of_scope" => 1,
        "wrong_count" => 1,
        "wrong" => [{"file" => "log", "line" => 5, "why" => "it is no line of the Common or Combined Log Format"}],
        "from" => "2026-11-28",
        "to" => "2026-11-28",
        "agents" => {
          "Lampbot" => {
            "requests" => 2,
            "verified" => 1
          }
        }
      },
      JSON.parse(out)
    )
    assert_equal [5, 5],
      JSON.parse(run_command("evidence", "logs", log, "--site", @site.name, "--json").first).values_at(
        "rows",
        "unchanged"
      )
    packed = Zlib.gzip(hit("/b", bot) + "\n") + Zlib.gzip(hit("/c", bot) + "\n")
    assert_equal 2,
      JSON.parse(
        run_command("evidence", "logs", file("two.gz", packed), "--site", @site.name, "--json").first
      )[
        "kept"
      ]
    _, err, code = run_command("evidence", "logs", file("cut.gz", packed[0..-9]), "--site", @site.name, "--json")
    assert_equal [2, true], [code, err.include?("cut or damaged")]
    assert_equal 4, rows("sum(requests)::integer AS sum", "log_hits").first["sum"]
  end

  private

  def crawl = crawled({"/" => page("Home", "<a href=/a>a</a>"), "/a" => page("A lamp", "<a href=/>home</a>")})

  def hit(target, agent, peer: "198.51.100.1") =
    %(#{peer} - - [28/Nov/2026:10:00:00 +0000] "GET #{target} HTTP/1.1" 200 512 "-" "#{agent}")

  def path(name) = File.join(folder, name)

  def folder = @folder ||= Dir.mktmpdir("evidence")

  def file(name, bytes) = path(name).tap { |path| File.binwrite(path, bytes) }

  def run_command(*arguments)
    code = nil
    out, err = capture_subprocess_io { code = IronTrellis::Cli::Root.run(arguments) }
    [out, err, code]
  end

  def teardown
    FileUtils.rm_rf(@folder) if @folder
    super
  end
end

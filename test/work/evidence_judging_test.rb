# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# What evidence makes of a judged crawl: columns, the last rung, importance, the rules of evidence at their limits and
# just beside.
class EvidenceJudgingTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  WANTED = %w[/a /b /c /d /e /f /g /h /i].freeze

  def setup
    super
    pages = WANTED.to_h { |path| [path, page("Lamp #{path.delete("/")}", link_home)] }
    pages["/"] = page(
      "Home",
      WANTED.map { |path| "<a href=\"#{path}\">#{path}</a>" }.join +
        "<a href=/out>out</a><a href=/gone>gone</a><a href=/old>old</a>"
    )
    pages["/out"] = page("Out", "", head: "<meta name=robots content=noindex>")
    pages["/old"] = [301, {"location" => "/a"}, ""]
    @site.page_groups.create!(name: "all", pattern: "*", position: 0)
    @site.decisions.decide("group", {"all" => {"intent" => "index"}}, by: "A test", now: NOW)
    @crawl = crawled(pages)
  end

  def test_columns_of_a_whole_evidence_and_of_a_sample
    standings({"in_index" => %w[/a], "passed_over" => %w[/b]})
    pages("2026-11-20", "/a" => [5, 100, 3.04], "/lost" => [2, 9, 1])
    row = judged
    assert_equal ["in_index", "2026-11-28", 5, 100, 3.0, nil, nil, nil, false], columns(row["/a"])
    assert_equal ["passed_over", "2026-11-28", 0, 0, nil, nil, nil, nil, false], columns(row["/b"])
    assert_equal ["not_known", "2026-11-28", 0, 0, nil, nil, nil, nil, false], columns(row["/c"])
    lost = row["/lost"]
    assert_equal ["not_known", "2026-11-28", 2, 9, 1.0, nil, nil, nil, true], columns(lost)
    assert_equal [%w[index], "found", "all", "index", true, 0, nil],
      lost.values_at("found_by", "stop", "group", "intent", "robots_allowed", "links_in", "status")
    import("standings", "url,standing\nhttp://small.example/a,waiting\n", date: Date.new(2026, 11, 28), whole: false)
    assert_equal [nil, "waiting"], judged.values_at("/c", "/a").map { |one| one["standing"] }
  end

  def test_the_last_rung_stops_with_the_standing_and_the_reason
    import(
      "standings",
      "url,standing,reason\nhttp://small.example/a,in_index,\nhttp://small.example/b,passed_over,Too thin\n" \
        "http://small.example/c,hidden,\nhttp://small.example/out,not_known,\n"
    )
    rows = judged
    assert_equal [nil, nil], rows["/a"].values_at("stop", "stop_reason")
    assert_equal ["indexed", "fetched and left out: Too thin"], rows["/b"].values_at("stop", "stop_reason")
    assert_equal ["indexed", "hidden for a while"], rows["/c"].values_at("stop", "stop_reason")
    assert_equal "open", rows["/out"]["stop"], "the first rung counts"
    @site.decisions.decide("group", {"all" => {"intent" => "keep_out"}}, by: "A test", now: NOW)
    assert_nil judged["/c"]["stop"], "hidden is no stop where it should be kept out"
  end

  def test_a_sample_is_passed_over_and_a_later_whole_one_says_not_known
    standings({"in_index" => %w[/a /b]}, date: "2026-11-01")
    standings({"waiting" => %w[/b]}, date: "2026-11-08", whole: false)
    assert_equal [%w[in_index waiting], %w[2026-11-01 2026-11-08]],
      judged
        .values_at("/a", "/b")
        .then { |all| [all.map { |one| one["standing"] }, all.map { |one| one["standing_date"].iso8601 }] }
    standings({"in_index" => %w[/b]}, date: "2026-11-15")
    rows = judged
    assert_equal ["not_known", true, "in_index", false],
      rows.values_at("/a", "/b").flat_map { |one| one.values_at("standing", "dropped") }
  end

  def test_windows_end_on_the_newest_day_and_dated_rows_win
    pages("2026-11-28", "/a" => [1, 10, 2])
    pages("2026-05-29", "/a" => [1, 10, 4])
    pages("2026-05-28", "/a" => [100, 1000, 1])
    import(
      "pages",
      "url,clicks,impressions,position\nhttp://small.example/a,7,70,9\nhttp://small.example/b,7,70,9\n",
      date: Date.new(2026, 11, 28)
    )
    assert_equal [[2, 20, 3.0], [7, 70, 9.0]],
      judged.values_at("/a", "/b").map { |one| one.values_at("clicks", "impressions", "position") }
  end

  def test_links_goals_and_queries
    import(
      "links",
      "source,target\nhttp://press.test/1,http://small.example/a\nhttp://press.test/1,http://small.example/a\n" \
        "http://press.test/2,http://small.example/a\nhttp://small.example/b,http://small.example/a\n"
    )
    import("goals", "url,goal,count\nhttp://small.example/a,order,0\nhttp://small.example/a,call,2\n")
    queries("2026-11-20", "/a" => {"lamp" => [1, 5, 3], "none" => [0, 0, 0]}, "/lost" => {"x" => [1, 1, 1]})
    rows = judged
    assert_equal [2, %w[call order], 1], rows["/a"].values_at("outside_links", "goals", "queries")
    assert_equal [0, [], 0, nil], rows["/b"].values_at("outside_links", "goals", "queries", "clicks")
    assert_equal %w[index], rows["/lost"]["found_by"]
    assert_equal 0.15, rows["/a"]["importance_parts"]["links"]["weight"]
    assert_equal [%w[goal-page-open /a call], %w[goal-page-open /a order]], told_of(@crawl, "goal-page-open")
    import("links", "source,target\nhttp://press.test/9,http://small.example/b\n", date: Date.new(2026, 11, 27))
    assert_equal 2, judged["/a"]["outside_links"], "an earlier whole evidence is no news"
  end

  def test_rules_on_standings
    standings(
      {"in_index" => %w[/a /gone /old /out /d], "waiting" => %w[/b], "passed_over" => %w[/c]},
      date: "2026-11-01"
    )
    import("standings", <<~CSV, date: Date.new(2026, 11, 15))
      url,standing,reason,first_seen,chosen_canonical
      http://small.example/a,passed_over,thin,,
      http://small.example/b,waiting,,2026-11-01,
      http://small.example/c,waiting,,2026-11-02,
      http://small.example/d,kept_elsewhere,,,http://small.example/a
      http://small.example/gone,in_index,,,
      http://small.example/old,in_index,,,
      http://small.example/out,in_index,,,
      http://small.example/e,in_index,,,
    CSV
    judged
    assert_equal [
      ["dropped", "/a", nil],
      ["dropped", "/d", nil],
      ["index-stale", "/gone", nil],
      ["index-stale", "/old", nil],
      ["index-stale", "/out", nil],
      %w[kept-elsewhere /d /a],
      ["passed-over", "/a", nil],
      ["waiting", "/b", nil]
    ],
      told_of(@crawl, "passed-over", "waiting", "dropped", "kept-elsewhere", "index-stale")
  end

  def test_rules_on_the_record
    standings({"in_index" => %w[/a /b /c]})
    pages("2026-11-01", "/z" => [1, 1, 1], "/b" => [0, 0, 0])
    pages("2026-11-28", "/a" => [0, 3, 9])
    queries(
      "2026-11-20",
      "/a" => {
        "lamp harbour" => [0, 50, 8.0],
        "lamps" => [1, 49, 9.0],
        "A1 lamp" => [1, 60, 20.04]
      },
      "/b" => {
        "lamp" => [9, 90, 7.9]
      },
      "/c" => {
        "the lamps" => [9, 90, 20.1]
      }
    )
    judged
    assert_equal [
      ["near-win", "/a", "a1 lamp"],
      ["near-win", "/a", "lamp harbour"],
      ["phrase-absent", "/a", "lamp harbour"],
      ["wanted-unseen", "/b", nil],
      ["wanted-unseen", "/c", nil]
    ],
      told_of(@crawl, "near-win", "phrase-absent", "wanted-unseen")
  end

  def test_what_pages_are_found_for_with_the_near_wins_first
    pages("2026-11-28", "/a" => [0, 3, 9])
    queries(
      "2026-11-20",
      "/a" => {
        "lamp harbour" => [0, 100, 9.0],
        "lamps" => [1, 900, nil]
      },
      "/b" => {
        "lamp harbour" => [0, 300, 13.0],
        "lamps" => [1, 100, 3.0]
      },
      "/c" => {
        "lamp harbour" => [0, 200, nil]
      }
    )
    judged
    told = ->(rows, *names) { rows[:rows].map { |row| row.values_at(*names) } }
    assert_equal [["lamp harbour", 12.0, 3, true, true]],
      told.call(found_for.queries, "query", "position", "page_count", "near", "competing")
    assert_equal [["lamps", 2], ["lamp harbour", 3]],
      told.call(found_for.queries(order: "impressions"), "query", "page_count")
    assert_equal [["lamp harbour"]], told.call(found_for.queries(order: "competing"), "query")
    assert_equal [["lamps"]], told.call(found_for.queries(order: "clicks", text: "MPS"), "query")
    assert_equal [["/a", 2, 1], ["/b", 2, 1]],
      told.call(found_for.pages, "url", "queries", "near").map { |url, *rest| [URI(url).path, *rest] }
    assert_equal %w[/a /b /c], told.call(found_for.pages(order: "impressions"), "url").map { |url,| URI(url).path }
    assert_equal 3, found_for.pages(order: "impressions")[:total]
  end

  def test_what_pages_are_found_for_and_bring_window_by_window
    pages("2026-11-28", "/a" => [2, 30, 9])
    pages("2026-07-01", "/a" => [5, 50, 9])
    pages("2025-09-01", "/a" => [7, 70, 9], "/b" => [1, 10, 9])
    queries("2026-11-28", "/a" => {"lamp" => [2, 60, 4.0]})
    queries("2026-07-01", "/a" => {"lamp" => [5, 60, 10.0]})
    judged
    told =
      %w[short middle long].to_h do |span|
        row = found_for(span: span).queries(order: "impressions")[:rows].first
        [span, row.values_at("clicks", "impressions", "position")]
      end
    assert_equal({"short" => [2, 60, 4.0], "middle" => [7, 120, 7.0], "long" => [7, 120, 7.0]}, told)
    group = Store::Intents::GroupEvidence.new(@crawl.verdict_run, @site).groups.find { |one| one["group"] == "all" }
    assert_equal(
      {"short" => [2, 30, 1], "middle" => [7, 80, 1], "long" => [15, 160, 2]},
      group["record"].transform_values { |one| one.values_at("clicks", "impressions", "visited") }
    )
  end

  def test_whether_the_heir_of_an_address_takes_over
    import("standings", "url,standing\nhttp://small.example/old,in_index\n", date: Date.new(2026, 10, 1))
    import("standings", "url,standing\nhttp://small.example/old,moved\n", date: Date.new(2026, 10, 20))
    pages("2026-09-21", "/old" => [9, 90, 1])
    pages("2026-09-22", "/old" => [30, 300, 4])
    pages("2026-10-19", "/old" => [10, 100, 8], "/a" => [5, 50, 6])
    pages("2026-10-20", "/old" => [7, 70, 4])
    pages("2026-11-01", "/a" => [19, 200, 5])
    pages("2026-11-28", "/a" => [20, 200, 5])
    judged
    moves = {
      "http://small.example/old" => "http://small.example/a",
      "http://small.example/b" => "http://small.example/c"
    }
    heirs = Store::Evidence::Heirs.new(@crawl.verdict_run).of(moves)
    assert_equal ["http://small.example/old"], heirs.keys
    heir = heirs.values.first
    assert_equal ["2026-10-20", 40, 5.0, 5, 39, 0.85],
      [
        heir[:since],
        *heir[:before].values_at("clicks", "position"),
        heir.dig(:beside, "clicks"),
        heir.dig(:now, "clicks"),
        heir[:share]
      ]
  end

  def test_a_hide_that_ends_soon_is_told_until_its_end_unless_something_lasting_is_proved
    standings({"hidden" => %w[/a /b /c /d]})
    index = Store::Evidence::Index.first_of(@site)
    today = @site.evidence_reading.today(Time.now)
    days = {"/a" => 14, "/b" => 15, "/c" => -1, "/d" => 3}
    Store::Evidence::InterfaceRows.new(index).hides(
      days.map do |path, left|
        {
          "url" => "http://small.example#{path}",
          "asked_on" => (today - 80).iso8601,
          "ends_on" => (today + left).iso8601
        }
      end,
      NOW
    )
    judged
    assert_equal [["hide-running-out", "/a", (today + 14).iso8601], ["hide-running-out", "/d", (today + 3).iso8601]],
      told_of(@crawl, "hide-running-out")
    id = IronTrellis::Core::Url::NormalForm.id(@site.id, "http://small.example/d")
    Store::Postgres::Sql.run("UPDATE index_hides SET proved = true WHERE url_id = $1", [id])
    judged
    assert_equal ["/a"], told_of(@crawl, "hide-running-out").map { |_, path, _| path }
  end

  def test_bloat_is_told_of_a_group_once_the_record_reaches_back
    standings({"in_index" => (1..10).map { |number| "/bloat/#{number}" } + %w[/a]})
    pages("2026-11-28", "/a" => [1, 1, 1])
    judged
    assert_empty told_of(@crawl, "bloat"), "the record doesn't reach back"
    pages("2026-05-29", "/a" => [1, 1, 1])
    judged
    assert_equal [["bloat", nil, "all"]], told_of(@crawl, "bloat")
    bloat =
      Store::Reports::AuditRows.new(@crawl, @crawl.verdict_run).to_enum(:faults).find { |one| one["code"] == "bloat" }
    assert_equal [nil, "all", {"in_index" => 11, "useless" => 10}], bloat.values_at("url", "about", "detail")
  end

  private

  def found_for(**window)
    limits = @site.limits.for(nil)
    Store::Evidence::FoundFor.new(
      @crawl.verdict_run,
      first: limits.near_win_first,
      last: limits.near_win_last,
      least: limits.query_impressions,
      **window
    )
  end

  def link_home = "<a href=/>home</a>"

  def judged
    IronTrellis::Work::Judging::Judgement.alone(@crawl, clock: -> { Time.now })
    rows_of(@crawl.reload)
  end

  def columns(row) =
    row
      .values_at(
        "standing",
        "standing_date",
        "clicks",
        "impressions",
        "position",
        "queries",
        "outside_links",
        "goals",
        "dropped"
      )
      .map { |one| one.is_a?(Date) ? one.iso8601 : one }

  def standings(by_state, date: "2026-11-28", whole: nil)
    text = by_state.flat_map { |state, paths| paths.map { |path| "http://small.example#{path},#{state}\n" } }.join
    import("standings", "url,standing\n#{text}", date: Date.iso8601(date), whole: whole)
  end

  def pages(day, by_path)
    text = by_path.map { |path, values| "http://small.example#{path},#{values.join(",")},#{day}\n" }.join
    import("pages", "url,clicks,impressions,position,date\n#{text}")
  end

  def queries(day, by_path)
    text =
      by_path
        .flat_map do |path, all|
          all.map { |query, values| "http://small.example#{path},#{query},#{values.join(",")},#{day}\n" }
        end
        .join
    import("queries", "url,query,clicks,impressions,position,date\n#{text}")
  end
end

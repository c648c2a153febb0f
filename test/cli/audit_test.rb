# frozen_string_literal: true

require_relative "../test_helper"

class AuditTest < Minitest::Test
  include TestDatabase
  include AuditRun

  KEYS = IronTrellis::Store::Reports::AuditRows::URL_FIELDS

  def test_the_four_files_have_the_keys_of_the_format_in_order
    result = audit_skerry("--site", "formats")

    assert_equal 0, result.code, result.err
    assert_equal [IronTrellis::Store::Reports::AuditRows::URL_FIELDS], result.rows("urls").map(&:keys).uniq
    assert_equal [%w[source target type text rel place followed]], result.rows("links").map(&:keys).uniq
    assert_equal [%w[code grade url about detail]], result.rows("faults").map(&:keys).uniq
    assert_equal %w[site started_at seconds ended_by fetched not_fetched urls by_status by_stop by_group faults
      pages_per_second settings],
      result.summary.keys
    assert_equal result.rows("urls").size, result.summary["urls"]
    assert_equal [], result.rows("urls").map { |row| row["url"] } - result.rows("urls").map { |row| row["url"] }.sort
  end

  def test_intents_key_pages_limits_and_patterns_count
    result =
      audit_skerry(
        "--site",
        "options",
        "--intent",
        "/lamps/*=keep_out",
        "--key-page",
        "http://www.skerrylamps.example/search",
        "--exclude",
        "*/journal/*",
        "--max-depth",
        "1"
      )
    rows = result.rows("urls").to_h { |row| [row["url"].delete_prefix("http://www.skerrylamps.example"), row] }

    assert_equal "keep_out", rows["/lamps/"]["intent"]
    assert_empty rows.keys.grep(%r{^/journal/})
    assert_nil rows["/guides/choose-a-lamp"]&.fetch("error")
    assert_nil rows.fetch("/account/")["status"]
  end

  def test_a_limit_is_kept_to_exactly_with_two_workers
    result = audit_skerry("--site", "limit", "--limit", "25", "--workers", "2")
    summary, rows = result.summary, result.rows("urls")
    assert_equal [25, "limit"], summary.values_at("fetched", "ended_by")
    rows.reject! { |row| row["kind"] == "external" }
    known = rows.count { |row| !row["status"] && !row["error"] && row["stop"] != "allowed" }
    assert_equal [known] * 2, [summary["not_fetched"], summary["by_stop"]["not_fetched"]]
    assert_equal rows.size, summary["by_stop"].values.sum, "each is counted once"
    assert_match(/limit of URLs/, result.err)
  end

  # Where all but the first page is closed, that is said, and what to change.
  def test_a_site_that_lets_one_page_be_read_is_told
    pages = {
      "/" => "<html><title>Home</title><a rel=nofollow href=/a>a</a><a href=/b/c>b</a></html>",
      "/robots.txt" => [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /b/\n"]
    }
    server = SmallSite.new(pages)
    address = "small.example:80:127.0.0.1:#{server.port}"
    result = audit("http://small.example/", "--site", "closed", "--resolve", address)
    assert_equal "blocked", result.summary["ended_by"]
    assert_match(/robots\.txt or nofollow/, result.err)
  end

  def test_fail_on_gives_exit_code_1_where_such_faults_are
    assert_equal 1, audit_skerry("--site", "fail on", "--fail-on", "stops").code
  end

  def test_wrong_usage_is_told_with_exit_code_2_and_no_stack_trace
    {
      %w[audit --out /tmp/x] => /start URL/,
      ["audit", "no domain", "--out", "/tmp/x"] => %r{http://},
      %w[audit http://a.test/] => /--out/,
      %w[audit http://a.test/ --out /tmp/x --resolve a] => /HOST:PORT:ADDRESS/,
      %w[audit http://a.test/ --out /tmp/x --limit 0] => /limit/,
      %w[audit http://a.test/ --out /tmp/x --exclude /(/] => /pattern/,
      %w[audit http://a.test/ --out /tmp/x --intent x] => /PATTERN=index/,
      ["nonsense"] => /nonsense/
    }.each do |arguments, message|
      result = trellis(*arguments)
      assert_equal 2, result.code, arguments.inspect
      assert_match message, result.err
      refute_match(/\.rb:\d+/, result.err)
    end
  end

  def test_a_database_that_cannot_be_reached_is_exit_code_3
    result =
      trellis(
        "audit",
        "http://a.test/",
        "--out",
        "/tmp/x",
        environment: {
          "DATABASE_URL" => "postgresql://nobody@127.0.0.1:1/x"
        }
      )

    assert_equal 3, result.code
    assert_match(/PostgreSQL can't be reached/, result.err)
    refute_match(/\.rb:\d+/, result.err)
  end

  def test_starts_that_cannot_be_crawled_end_with_a_clear_message
    server = RawServer.new { |path, socket| bad_start(path, socket) }
    at = "http://127.0.0.1:#{server.port}"
    {
      "http://nowhere.invalid/" => /no address/,
      "http://127.0.0.1:1/" => /no connection to its host \(connection refused\), not even for its robots.txt/,
      "#{at}/slam" => /the connection ended before a whole answer/,
      "#{at}/off-site" => %r{redirects to http://elsewhere.example/, which is not on a host in scope},
      "#{at}/huge" => /larger than the limit/
    }.map { |url, message| [url, message, Thread.new { audit(url, "--site", "bad start #{url}") }] }
      .each do |url, message, audited|
        result = audited.value
        assert_equal 3, result.code, "#{url}: #{result.err}"
        assert_match message, result.err
        refute_match(/\.rb:\d+/, result.err)
      end
  ensure
    server.close
  end

  def test_a_start_that_is_no_html_is_one_row
    server = RawServer.new do |path, socket|
      socket.write(
        (
          if path == "/robots.txt"
            "HTTP/1.1 404 Not Found\r\nContent-Length: 0\r\n\r\n"
          else
            "HTTP/1.1 200 OK\r\nContent-Type: application/pdf\r\nContent-Length: 8\r\n\r\n%PDF-1.4"
          end
        )
      )
      :keep
    end
    rows = audit("http://127.0.0.1:#{server.port}/a.pdf", "--site", "pdf #{server.port}").rows("urls")

    assert_equal [["pdf", 200, nil, true]], rows.map { |row| row.values_at("kind", "status", "stop", "indexable") }
  ensure
    server.close
  end

  def test_a_start_that_is_missing_is_exit_code_3
    site = SmallSite.new({})
    result = audit("http://gone.example/", "--resolve", "gone.example:80:127.0.0.1:#{site.port}")
    assert_equal [3, 404], [result.code, result.rows("urls").first["status"]]
    assert_match(%r{http://gone.example/ could not be crawled: status 404}, result.err)
  end

  def test_what_cannot_be_used_leaves_no_site_behind_and_a_folder_is_tried_first
    name = "left behind #{SecureRandom.hex(4)}"
    assert_equal 2, audit("http://a.test/", "--site", name, "--key-page", "no address").code
    assert_equal 2, audit("http://a.test/", "--site", name, "--workers", "0").code
    Tempfile.create("taken") do |file|
      result = audit("http://a.test/", "--site", name, folder: File.join(file.path, "report"))
      assert_equal 3, result.code
      assert_match(/can't be written to/, result.err)
    end
    IronTrellis::Store::Postgres::Database.prepare
    assert_nil IronTrellis::Store::Sites::Site.find_by(name: name)
  end

  # A server that never ends: the command is told to end, and is gone soon, with its workers; what it made is marked as
  # interrupted.
  def test_an_audit_that_is_told_to_end_ends_at_once_and_says_what_became_of_its_crawl
    site =
      SmallSite.new({}) do |path|
        sleep(0.2).then do
          "<html><body>#{(1..5).map { |number| "<a href=\"#{path}#{number}/\">x</a>" }.join}</body></html>"
        end
      end
    name = "told to end #{SecureRandom.hex(4)}"
    read, write = IO.pipe
    pid =
      spawn(
        AuditRun::ENVIRONMENT,
        File.join(AuditRun::ROOT, "bin/trellis"),
        "audit",
        "http://small.example/",
        "--resolve",
        "small.example:80:127.0.0.1:#{site.port}",
        "--allow-private",
        "--out",
        Dir.mktmpdir,
        "--site",
        name,
        "--workers",
        "2",
        err: write
      )
    write.close
    sleep 0.1 until (workers = `pgrep -P #{pid}`.split.map(&:to_i)).size == 2 && site.targets.size > 5
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    Process.kill("TERM", pid)
    code = Process.wait2(pid).last.exitstatus
    said = read.read
    assert_equal [3, 2], [code, workers.size], said
    assert_match(/Interrupted. Crawl 1 of/, said)
    # Five seconds are what is promised; a busy machine may need some more.
    assert_operator Process.clock_gettime(Process::CLOCK_MONOTONIC) - began, :<, 20
    assert_empty(workers.select { |worker| File.exist?("/proc/#{worker}") })
    crawl = IronTrellis::Store::Sites::Site.find_by(name: name).crawls.first
    assert_equal ["failed", 0],
      [
        crawl.state,
        IronTrellis::Store::Postgres::Sql
          .run("SELECT count(*) FROM que_jobs WHERE queue LIKE $1", ["#{crawl.queue}%"])
          .getvalue(0, 0)
          .to_i
      ]
  end

  # Any address answers 200, says that nothing is there, and links to more addresses of the kind.
  def test_addresses_without_end_that_answer_200_are_told_where_it_ends
    words = "We looked everywhere for what you asked for and could not find it, sorry; ask us at the counter instead."
    lost = Array.new(12) { |number| "<a href=/lost#{number}>x</a>" }.join
    site =
      SmallSite.new({"/" => "<title>Home</title><h1>Home</h1>#{lost}"}) do |path|
        next if path.match?(/robots|sitemap/)

        links = Array.new(3) { |number| "<a href=#{path}#{number}>more</a>" }.join(" ")
        "<title>Not here</title><h1>Not here</h1><p>#{words}</p>#{links}"
      end
    result = audit("http://127.0.0.1:#{site.port}/", "--limit", "40", "--site", "endless #{SecureRandom.hex(4)}")

    assert_equal 0, result.code, result.err
    # Links of such pages are followed until the first is known for what it is.
    found, fetched = result.err.match(/^(\d+) of (\d+) fetched URLs answer 200 and read like the site's missing page/)
      &.captures&.map(&:to_i)
    assert_equal fetched - 1, found
    assert_operator fetched, :<, 40
    crawl = IronTrellis::Store::Sites::Site.order(:id).last.crawls.first
    assert_match(/missing page/, IronTrellis::Store::Crawling::CrawlMonitor.new(crawl).call(Time.now)[:traps].first)
  end

  private

  def bad_start(path, socket)
    case path
    when "/robots.txt", /sitemap/
      socket.write("HTTP/1.1 404 Not Found\r\nContent-Length: 0\r\n\r\n")
    when "/slam"
      return :close
    when "/off-site"
      socket.write("HTTP/1.1 301 Moved\r\nLocation: http://elsewhere.example/\r\nContent-Length: 0\r\n\r\n")
    when "/huge"
      socket.write("HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nContent-Length: 104857600\r\n\r\n") &&
        100.times { socket.write("x" * 1_048_576) }
    end
    :keep
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

class RobotsCommandTest < Minitest::Test
  include AuditRun

  FILE = "User-agent: *\nDisallow: /private\nAllow: /private/open\n\nUser-agent: lamp\nDisallow: /\n"

  def robots(source, *arguments, input: "", agent: "scout")
    out, err, status =
      Open3.capture3(
        ENVIRONMENT,
        File.join(ROOT, "bin/trellis"),
        "robots",
        source,
        "--agent",
        agent,
        *arguments,
        stdin_data: input
      )
    [status.exitstatus, out.lines.map { |line| JSON.parse(line) }, err]
  end

  def with_file(text)
    Tempfile.create("robots") do |file|
      file.binmode
      file.write(text)
      file.flush
      yield file.path
    end
  end

  def test_each_url_gets_its_line_in_the_order_asked
    with_file(FILE) do |path|
      code, rows, = robots(path, input: "https://a.test/private/x\n\n/private/open\nhttps://a.test/\n")

      assert_equal 0, code
      assert_equal [%w[url allowed line rule]], rows.map(&:keys).uniq
      assert_equal [
        ["https://a.test/private/x", false, 2, "Disallow: /private"],
        ["/private/open", true, 3, "Allow: /private/open"],
        ["https://a.test/", true, nil, nil]
      ],
        rows.map(&:values)
    end
  end

  def test_another_agent_has_another_group
    with_file(FILE) do |path|
      assert_equal [false], robots(path, agent: "Lamp", input: "/\n")[1].map { |row| row["allowed"] }
    end
  end

  def test_bytes_that_are_no_text_and_a_mark_before_the_first_line_do_no_harm
    with_file("\xEF\xBB\xBFUser-agent: *\nDisallow: /a\n# \xFF\xFE\nDisallow: /b\n".b) do |path|
      assert_equal [2, 4], robots(path, input: "/a\n/b\n")[1].map { |row| row["line"] }
    end
  end

  def test_the_file_of_a_site_is_fetched
    code, rows, = robots("http://127.0.0.1:#{SiteServer.skerry.port}/anything", input: "/\n")

    assert_equal 0, code
    assert_equal ["/"], rows.map { |row| row["url"] }
  end

  def test_a_site_that_cannot_be_reached_allows_nothing_and_says_why
    code, rows, err = robots("http://127.0.0.1:1/", input: "/\n")

    assert_equal 0, code
    assert_equal [false], rows.map { |row| row["allowed"] }
    assert_match(/connect/, err)
  end

  def test_what_is_wrong_is_told_in_words
    with_file(FILE) do |path|
      {
        [path, {agent: "a b"}] => [2, /product token/],
        ["/no/such/file", {}] => [3, /no file/]
      }.each do |(source, options), (expected, message)|
        code, _, err = robots(source, **options, input: "/\n")
        assert_equal expected, code, source
        assert_match message, err
        refute_match(/\.rb:\d+/, err)
      end
      assert_equal 3, robots(path, "--urls", "/no/such/file").first
      assert_equal 2, robots(path, input: "mailto:x\n").first
    end
  end
end

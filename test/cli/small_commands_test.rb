# frozen_string_literal: true

require_relative "../test_helper"

# The commands that work on a file alone.
class SmallCommandsTest < Minitest::Test
  include AuditRun

  MAP = "from,to,status\n/a,/b,301\n/b,/c,302\n\"/x,/y\n"
  SETS =
    "url;hreflang;target\nhttp://a.test/en;en;http://a.test/en\nhttp://a.test/en;da;http://b.test/da\nno " \
      "address;en;http://a.test/\n"
  SITEMAP =
    "<?xml version='1.0'?>\n<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'>\n" \
      "<url><loc>http://a.test/x/1</loc></url>\n<url><loc>/2</loc></url>\n</urlset>"

  def trellis(*arguments)
    out, err, status = Open3.capture3(ENVIRONMENT, File.join(ROOT, "bin/trellis"), *arguments)
    [status.exitstatus, out, err]
  end

  def with_file(bytes)
    Tempfile.create("given") do |file|
      file.binmode
      file.write(bytes)
      file.flush
      yield file.path
    end
  end

  def answer(bytes, *command) =
    with_file(bytes) { |path| trellis(*command, path, "--json").then { |code, out, err| [code, JSON.parse(out), err] } }

  def test_fixes_of_a_file_are_laid_out_and_what_is_wrong_in_it_is_told
    fixes = [{id: "x", benefit: 3, hours: 4}, {id: "y", benefit: 9, hours: 4, after: ["x"], deadline: "2027-01-04"}]
    plan = {start: "2027-01-04", owners: [{name: "Ada"}], fixes: fixes}
    code, out, = with_file(JSON.generate(plan)) { |path| trellis("plan", path, "--seconds", "0.1") }
    found = JSON.parse(out)
    assert_equal [0, 84.0, 84.0, 0.0, true, []], [code, *found.values_at("objective", "bound", "gap", "proved", "late")]
    assert_equal [["x", 4.0], ["y", 8.0]], found["schedule"].map { |one| one.values_at("id", "finish_hours") }
    fixes.first[:after] = ["y"]
    code, _, err = with_file(JSON.generate(plan)) { |path| trellis("plan", path) }
    assert_equal [2, "These wait for each other in a circle: x -> y -> x.\n"], [code, err]
    assert_equal 2, with_file("{") { |path| trellis("plan", path) }.first
  end

  def test_a_redirect_map_is_checked_and_what_cannot_be_read_is_told_by_line
    code, found, err = answer(MAP, "routes", "check")
    assert_equal [
      0,
      {
        "routes" => 2,
        "faults" => [{"code" => "route-chain", "from" => "/a", "about" => "/b"}],
        "flattened" => [
          {"from" => "/a", "to" => "/c", "status" => 301},
          {"from" => "/b", "to" => "/c", "status" => 302}
        ]
      }
    ],
      [code, found]
    assert_match(/line 4: a quoted cell isn't closed/, err)
  end

  def test_a_rule_with_a_status_that_is_none_is_counted_and_told
    code, found, err = answer("from,to,status\n/a,/b,301\n/c,/d,moved\n/e,/f,418\n/g,/h,\n", "routes", "check")
    assert_equal [0, 4, "", [%w[/c moved], %w[/e 418], ["/g", ""]]],
      [code, found["routes"], err, found["faults"].map { |fault| fault.values_at("from", "about") }]
    assert_equal ["route-status"], found["faults"].map { |fault| fault["code"] }.uniq
  end

  def test_a_text_sitemap_of_another_host_is_told
    found = answer("http://a.test/1\nhttp://b.test/2\n", "sitemap", "check", "--location", "http://a.test/list.txt")[1]
    assert_equal ["text", [["sitemap-off-host", 2, "http://b.test/2"]]], [found["kind"], found["faults"].map(&:values)]
  end

  def test_sets_of_languages_are_checked_without_a_crawl
    code, found, err = answer(SETS, "hreflang", "check")
    assert_equal [
      0,
      [
        {
          "members" => %w[http://a.test/en http://b.test/da],
          "codes" => {
            "da" => ["http://b.test/da"],
            "en" => ["http://a.test/en"]
          }
        }
      ]
    ],
      [code, found["clusters"]]
    assert_equal [
      ["hreflang-no-default", "http://a.test/en", nil],
      %w[hreflang-no-return http://a.test/en http://b.test/da]
    ],
      found["faults"].map(&:values)
    assert_match(/line 4: “url” must be a web address/, err)
  end

  def test_a_sitemap_is_checked_packed_or_not
    expected = {
      "kind" => "urlset",
      "urls" => 2,
      "sitemaps" => 0,
      "bytes" => SITEMAP.bytesize,
      "faults" => [{"code" => "sitemap-malformed", "line" => 4, "about" => "/2"}],
      "first" => %w[http://a.test/x/1 /2]
    }
    assert_equal [0, expected, ""], answer(SITEMAP, "sitemap", "check")
    assert_equal [0, expected, ""], answer(Zlib.gzip(SITEMAP), "sitemap", "check")
  end

  def test_entries_off_the_folder_are_told_of_where_the_place_of_the_file_is_known
    assert_equal ["sitemap-off-host", 3, "http://a.test/x/1"],
      answer(SITEMAP, "sitemap", "check", "--location", "http://a.test/y/map.xml")[1]["faults"].first.values
  end

  def test_a_small_file_that_would_unpack_to_hundreds_of_megabytes_is_read_no_further_than_the_limit
    bomb = StringIO.new("".b)
    packed = Zlib::GzipWriter.new(bomb)
    packed << "<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">"
    260.times { packed << " " * 1_000_000 }
    packed.finish
    assert_operator bomb.string.bytesize, :<, 400_000
    code, found, = answer(bomb.string, "sitemap", "check")
    assert_equal [0, [["sitemap-too-big", nil, "more than 209715200 bytes"]]], [code, found["faults"].map(&:values)]
  end

  def test_entities_are_not_unfolded
    bomb =
      "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY a \"#{"lamp" * 20}\"><!ENTITY " \
        "b \"#{"&a;" * 50}\">]><urlset><url><loc>&b;</loc></url></urlset>"
    assert_equal [["sitemap-malformed", 1, "it declares entities, which a sitemap may not"]],
      answer(bomb, "sitemap", "check")[1]["faults"].map(&:values)
  end

  def test_a_table_is_printed_without_json
    with_file(MAP) { |path| assert_match(%r{^route-chain +/a +/b$}, trellis("routes", "check", path)[1]) }
  end

  def test_wrong_usage_and_files_that_are_not_there
    with_file("old,new\n/a,/b\n") do |path|
      assert_equal [
        2,
        "",
        "The first line must name the columns from, to, status; from and to and status can't be found in “old,new”.\n"
      ],
        trellis("routes", "check", path)
    end
    assert_equal [3, ""], trellis("hreflang", "check", "/no/such/file.csv").first(2)
    assert_equal [3, ""], trellis("sitemap", "check", "/no/such/file.xml").first(2)
    assert_equal 2, trellis("routes", "check").first
  end

  def test_neither_the_database_nor_active_record_is_loaded
    with_file(MAP) do |path|
      script =
        "require %(#{ROOT}/iron_trellis); exit IronTrellis::Cli::Root.run([%(routes), " \
          "%(check), %(#{path})]) + (defined?(ActiveRecord) ? 50 : 0) + (defined?(PG) ? 100 : 0)"
      assert_equal 0, Open3.capture3("bundle", "exec", "ruby", "-e", script, chdir: ROOT).last.exitstatus
    end
  end
end

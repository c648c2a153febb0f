# frozen_string_literal: true

require_relative "../test_helper"

# The command terms, on files: each number by hand.
class TermsTest < Minitest::Test
  include AuditRun

  PAGE = <<~HTML
    <html lang=en><head><title>Anchor lights</title><meta name=description content="Brass lights.">
    <meta name=keywords content="lamps"></head><body><h1>Anchor lights</h1>
    <p>An anchor light burns oil. <b>Oil</b> is cheap.</p><img src=/a.png alt="A lamp"><a href=/oil>Buy oil</a></body>
  HTML
  RIVALS = [
    "A light of brass burns oil and paraffin all night long.", "Paraffin burns in a brass light for two nights."
  ].map { |text| "<html lang=en><title>Lights</title><p>#{text}</p>" }

  def files(*bytes)
    Dir.mktmpdir("pages") do |folder|
      yield(bytes.map.with_index { |one, at| File.join(folder, "#{at}.html").tap { |path| File.write(path, one) } })
    end
  end

  def terms(*bytes, phrases: [])
    files(*bytes) do |page, *rivals|
      options = rivals.flat_map { |path| ["--rival", path] } + phrases.flat_map { |phrase| ["--phrase", phrase] }
      result = trellis("terms", page, *options, "--json")
      assert_equal [0, ""], [result.code, result.err.gsub(/^.*warning.*\n/, "")]
      return JSON.parse(result.out)
    end
  end

  def test_one_json_value_with_the_keys_of_the_format_in_order
    told = terms(PAGE)
    assert_equal %w[words terms rivals checks fit], told.keys
    assert_equal [%w[term size counts share]], told["terms"].map(&:keys).uniq
    assert_equal [%w[name found low high met weight]], told["checks"].map(&:keys).uniq
    assert_equal 12, told["words"]
  end

  def test_terms_are_counted_element_by_element
    told = terms(PAGE)["terms"].to_h { |one| [one["term"], one] }
    assert_equal [2, 2, {"title" => 1, "headings" => 1, "text" => 2}],
      told["Anchor lights"].values_at("size").push(2, told["Anchor lights"]["counts"].select { |_, n| n.positive? })
    assert_equal({"text" => 3, "emphasis" => 1, "links_out" => 1},
      told["oil"]["counts"].select { |_, times| times.positive? })
    assert_in_delta 3 / 12.0, told["oil"]["share"], 0.0001
    assert_equal({"alt" => 1, "keywords" => 1}, told["lamps"]["counts"].select { |_, times| times.positive? })
    assert_nil told["is"], "words that say nothing are no terms"
  end

  def test_against_rivals_with_medians_and_what_they_share
    told = terms(PAGE, *RIVALS)
    assert_includes told["checks"].map { |one| one["name"] }, "“paraffin” in the text"
    check = told["checks"].find { |one| one["name"] == "“paraffin” in the text" }
    assert_equal [0.0, false], check.values_at("found", "met")
    words = told["checks"].find { |one| one["name"] == "words" }
    assert_equal [12, true], [words["found"], words["low"] <= 10 && words["high"] >= 9]
  end

  def test_the_fit_is_the_share_of_checks_that_are_met_by_weight
    told = terms(PAGE, phrases: ["anchor lights", "storm lantern"])
    met, all = [true, nil].map { |wanted|
      told["checks"].select { |one| wanted.nil? || one["met"] }.sum { |one| one["weight"] }
    }
    assert_equal (100.0 * met / all).round, told["fit"]
    of_phrase = told["checks"].select { |one| one["name"].include?("“anchor lights”") }
    assert_equal [["title", true], ["H1", true], ["text", true], ["meta description", false]],
      of_phrase.map { |one| [one["name"][/in the (.+)/, 1], one["met"]] }
    assert(told["checks"].select { |one| one["name"].include?("“storm lantern”") }.none? { |one| one["met"] })
  end

  def test_a_table_is_printed_without_json
    files(PAGE) do |page,|
      result = trellis("terms", page, "--phrase", "anchor lights")
      assert_equal 0, result.code
      assert_match(/\A12 words, 0 rivals, fit \d+ of 100\n/, result.out)
      assert_match(/^oil +3 +25\.0% +0 +0$/, result.out)
      assert_includes result.out, "met      “anchor lights” in the title: 1 (at least 1)"
    end
  end

  def test_a_page_is_fetched_where_an_address_is_given
    site = SmallSite.new({"/x" => PAGE})
    address = "http://127.0.0.1:#{site.port}/x"
    result = trellis("terms", address, "--allow-private", "--json")
    assert_equal [0, 12, 200], [result.code, *JSON.parse(result.out).values_at("words", "status")], result.err
    assert_equal %w[/x], site.targets, "once for its text"
    gone = trellis("terms", "#{address}yz", "--allow-private", "--json")
    assert_equal [0, 404], [gone.code, JSON.parse(gone.out)["status"]]
    assert_includes gone.err, "answers 404"
  end

  def test_it_asks_as_a_crawler_does
    robots = [200, {"content-type" => "text/plain"}, "User-agent: *\nDisallow: /shut\n"]
    pages = {"/robots.txt" => robots, "/x" => PAGE, "/shut" => PAGE, "/gone" => [302, {"location" => "/shut"}, ""]}
    site = SmallSite.new(pages)
    name = ["--resolve", "small.example:80:127.0.0.1:#{site.port}"]
    %w[shut gone].each do |path|
      refused = trellis("terms", "http://small.example/#{path}", *name)
      assert_equal 3, refused.code
      assert_match(/robots\.txt keeps IronTrellis from reading .*shut \(line 2\)/, refused.err)
    end
    assert_equal 0, trellis("terms", "http://small.example/shut", *name, "--ignore-robots").code
    assert_match(/private address/, trellis("terms", "http://127.0.0.1:#{site.port}/x").err)
    speed = trellis("terms", "http://small.example/x", *name, "--speed", "--json")
    assert_equal [0, 3, 3],
      [speed.code, site.targets.count("/x"), site.requests.count { |one| one.target == "/robots.txt" }]
  end

  # Source: Intl.Segmenter and the eye; the articles of French and Italian that lose their vowel.
  def test_what_is_read_is_what_is_rendered_in_words_of_its_language
    french = "<html lang=fr><body><p>L\u2019eau de l'\u00eele et d\u00e9\u00ad\u006a\u00e0 <b><i>vue</i></b>" \
      "<span hidden>cach\u00e9</span><i style='color:red; display : none'>rien</i><template>non</template></p></body>"
    told = terms(french)
    counts = told["terms"].to_h { |one| [one["term"], one["counts"]] }
    assert_equal [8, 1, 1, 1], [told["words"], counts.dig("eau", "text"), counts.dig("d\u00e9j\u00e0", "text"),
      counts.dig("vue", "emphasis")]
    assert_empty counts.keys & %w[cach\u00e9 rien non l eau_]
    named = ->(page) { terms(page)["terms"].map { |one| one["term"] } }
    assert_equal "Skerry Lamp", named.call("<html lang=en><p>Skerry Lamp. A Skerry Lamp. The skerry lamp").first
    assert_includes named.call("<html lang=en><p>The harbour\u2019s lamp"), "harbour's"
  end

  def test_a_phrase_twice_is_one_and_without_phrases_and_rivals_there_is_no_fit
    assert_nil terms(PAGE)["fit"]
    told = terms(PAGE, phrases: ["Brass  Light", "brass light", "r\u00f8d lampe"])
    assert_equal 2 * 4, told["checks"].count { |one| one["name"].start_with?("\u201c") }
  end

  def test_rivals_tell_each_element_of_a_term
    shared = terms(PAGE, *RIVALS)["rivals"]["terms"].find { |one| one["term"].casecmp?("paraffin") }
    assert_equal [[1.0, 1, 1], [0.0, 0, 0]], shared["elements"].values_at("text", "title")
  end

  def test_what_is_no_page_is_told
    bytes = ["%PDF-1.4 \x00\x01", "", "\x89PNG\r\n\x1A\n", "PK\x03\x04", "\x7FELF", "x\0\x01y"].map(&:b)
    files(*bytes) do |pdf, empty, *others|
      assert_equal [3, 0], [trellis("terms", "#{pdf}x").code, trellis("terms", empty).code]
      {pdf => "a PDF", others[0] => "a picture", others[1] => "an archive", others[2] => "a program",
       others[3] => "data of another program"}.each do |path, what|
        result = trellis("terms", path)
        assert_equal 2, result.code
        assert_includes result.err, "looks like #{what}"
      end
    end
    assert_equal 2, trellis("terms").code
    site = SmallSite.new({"/a.pdf" => [200, {"content-type" => "application/pdf"}, "%PDF-1.4"]})
    assert_equal 2, trellis("terms", "http://127.0.0.1:#{site.port}/a.pdf", "--allow-private").code
  end

  def test_a_file_has_the_limit_of_a_page_and_the_encoding_of_its_mark
    files("a" * 15_000_001, "\uFEFFR\u00f8d lampe".encode("UTF-16LE").b, "R\u00f8d lampe\uFFFD".b) do |large, wide, _|
      result = trellis("terms", large)
      assert_equal 2, result.code
      assert_match(/15000001 bytes/, result.err)
      assert_equal 2, JSON.parse(trellis("terms", wide, "--json").out)["words"]
    end
  end
end

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
      told["anchor lights"].values_at("size").push(2, told["anchor lights"]["counts"].select { |_, n| n.positive? })
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
    assert_equal [["title", true], ["H1", true], ["text", true], ["meta description", false], ["address", false]],
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
    address = "http://127.0.0.1:#{SmallSite.new({"/x" => PAGE}).port}/x"
    result = trellis("terms", address, "--json")
    assert_equal [0, 12], [result.code, JSON.parse(result.out)["words"]], result.err
    gone = trellis("terms", "#{address}yz")
    assert_equal 3, gone.code
    assert_includes gone.err, "404"
  end

  def test_what_is_no_page_is_told
    files("%PDF-1.4 \x00\x01".b, "") do |pdf, empty|
      assert_equal [3, 0], [trellis("terms", "#{pdf}x").code, trellis("terms", empty).code]
      result = trellis("terms", pdf)
      refute_includes result.err, "from /", "no stack trace"
    end
    assert_equal 2, trellis("terms").code
  end
end

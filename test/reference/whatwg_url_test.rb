# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Source: Node's URL class, an implementation of the WHATWG URL standard, run on the same references.
#
# Two differences are meant and undone before comparing: our normal form decodes unreserved characters that were encoded
# and writes percent-encoding in upper case in paths (RFC 3986 section 6.2.2), where the WHATWG standard leaves both as
# they are. A third is Node's: the standard's path percent-encode set holds "^" since 2024, which Node 20 doesn't encode
# yet.
class WhatwgUrlTest < Minitest::Test
  Url = IronTrellis::Core::Url
  BASES = %w[
    http://a.test/b/c/d;p?q
    https://www.example.test/shop/lamps/
    http://example.test:8080
    https://example.test/a/b.html?x=/y/z#f
    http://xn--mnchen-3ya.example/ü/
  ].freeze
  PIECES = [
    "",
    "/",
    "//",
    "///",
    "\\",
    ".",
    "..",
    "/./",
    "/../",
    "%2e",
    "%2E%2e/",
    "a",
    "b c",
    "é",
    "%7e",
    "%C3%a9",
    "日本",
    "?",
    "?x=1&y=%20",
    "?é=ü",
    "?'\"<>",
    "#f",
    ";p=1",
    ":",
    "@",
    "http:",
    "http://",
    "HTTPS://EXAMPLE.TEST",
    "//other.test",
    "//MÜNCHEN.example:80/",
    "//127.1/",
    "//0x7f000001/",
    "//[::1]:8080/",
    "//user:pw@h.test/",
    "\t",
    "\n",
    " ",
    "|",
    "^",
    "`",
    "{x}",
    "[y]",
    "~",
    "!$&'()*+,",
    "%",
    "%zz",
    "%00",
    "mailto:x@y.test",
    "javascript:x",
    "data:,x",
    "ftp://h.test/",
    "//h.test:99999/",
    "//h test/",
    "//exa%6Dple.test/",
    "//a..b.test/",
    "//256.256.256.256/",
    "//1.2.3/",
    "https:x",
    "http:/x",
    "http:\\\\h.test\\p"
  ].freeze

  def test_references_come_to_the_same_url_as_in_node
    pairs = references
    assert_operator pairs.size, :>=, 2000
    node = node_answers(pairs)
    differences = pairs.zip(node).filter_map do |(base, reference), expected|
      ours = Url::Resolver.new(Url::NormalForm.parse(base)).call(reference)
      wanted = expected && with_normal_path(expected)
      "#{base} + #{reference.inspect}: ours #{ours.inspect}, Node #{wanted.inspect}" unless ours == wanted
    end

    assert_empty differences.first(12), "#{differences.size} of #{pairs.size} differ"
  end

  private

  # Every piece alone, every two joined, and some threes by a fixed seed, on the bases in turn.
  def references
    random = Random.new(9309)
    texts =
      PIECES + PIECES.product(PIECES).map(&:join).sample(2200, random: random) +
      Array.new(600) { PIECES.sample(3, random: random).join }
    texts.uniq.each_with_index.map { |text, index| [BASES[index % BASES.size], text] }
  end

  def node_answers(pairs)
    input = pairs.map { |pair| JSON.generate(pair) }.join("\n")
    out, err, status = Open3.capture3("node", File.join(__dir__, "node_url.mjs"), stdin_data: "#{input}\n")
    assert status.success?, err
    out.lines.map { |line| JSON.parse(line) }
  end

  def with_normal_path(href)
    origin, path, rest = href.match(%r{\A(https?://[^/?]*)([^?]*)(.*)\z}m).captures
    origin + Url::DotSegments.remove(Url::Percent.normalise_triples(path.gsub("^", "%5E"))) + rest
  end
end

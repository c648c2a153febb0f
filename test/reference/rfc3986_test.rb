# frozen_string_literal: true

require_relative "../test_helper"

# Source: RFC 3986, sections 5.4.1 and 5.4.2 (reference resolution examples) and 6.2.2 (normalisation examples).
class Rfc3986Test < Minitest::Test
  Url = IronTrellis::Core::Url
  BASE = "http://a/b/c/d;p?q"

  # Section 5.4.1, "Normal Examples". The fragment is dropped in our normal form; other schemes are no web addresses.
  NORMAL = {
    "g" => "http://a/b/c/g",
    "./g" => "http://a/b/c/g",
    "g/" => "http://a/b/c/g/",
    "/g" => "http://a/g",
    "//g" => "http://g/",
    "?y" => "http://a/b/c/d;p?y",
    "g?y" => "http://a/b/c/g?y",
    "#s" => "http://a/b/c/d;p?q",
    "g#s" => "http://a/b/c/g",
    "g?y#s" => "http://a/b/c/g?y",
    ";x" => "http://a/b/c/;x",
    "g;x" => "http://a/b/c/g;x",
    "g;x?y#s" => "http://a/b/c/g;x?y",
    "" => "http://a/b/c/d;p?q",
    "." => "http://a/b/c/",
    "./" => "http://a/b/c/",
    ".." => "http://a/b/",
    "../" => "http://a/b/",
    "../g" => "http://a/b/g",
    "../.." => "http://a/",
    "../../" => "http://a/",
    "../../g" => "http://a/g",
    "g:h" => nil
  }.freeze
  # Section 5.4.2, "Abnormal Examples". "http:g" is read as browsers read it ("for backward compatibility" there).
  ABNORMAL = {
    "../../../g" => "http://a/g",
    "../../../../g" => "http://a/g",
    "/./g" => "http://a/g",
    "/../g" => "http://a/g",
    "g." => "http://a/b/c/g.",
    ".g" => "http://a/b/c/.g",
    "g.." => "http://a/b/c/g..",
    "..g" => "http://a/b/c/..g",
    "./../g" => "http://a/b/g",
    "./g/." => "http://a/b/c/g/",
    "g/./h" => "http://a/b/c/g/h",
    "g/../h" => "http://a/b/c/h",
    "g;x=1/./y" => "http://a/b/c/g;x=1/y",
    "g;x=1/../y" => "http://a/b/c/y",
    "g?y/./x" => "http://a/b/c/g?y/./x",
    "g?y/../x" => "http://a/b/c/g?y/../x",
    "g#s/./x" => "http://a/b/c/g",
    "g#s/../x" => "http://a/b/c/g",
    "http:g" => "http://a/b/c/g"
  }.freeze
  # Sections 6.2.2.1 to 6.2.3: spellings of one URL. The user and password of 6.2.2's example are left out.
  EQUAL = [
    %w[HTTP://www.EXAMPLE.com/ http://www.example.com/],
    %w[http://example.com http://example.com/],
    %w[http://example.com:/ http://example.com/],
    %w[http://example.com:80/ http://example.com/],
    %w[http://example.com/%7Efoo http://example.com/~foo],
    %w[http://example.com/a%c2%b1b http://example.com/a%C2%B1b],
    %w[http://example.com/./b/../b/%63/%7bfoo%7d http://example.com/b/c/%7Bfoo%7D]
  ].freeze

  def test_the_normal_examples
    assert_all(NORMAL)
  end

  def test_the_abnormal_examples
    assert_all(ABNORMAL)
  end

  def test_the_spellings_that_are_equal
    EQUAL.each { |one, other| assert_equal other, Url::NormalForm.of(one) }
  end

  private

  def assert_all(examples)
    resolver = Url::Resolver.new(Url::NormalForm.parse(BASE))
    examples.each do |reference, expected|
      found = resolver.call(reference)
      expected ? assert_equal(expected, found, reference) : assert_nil(found, reference)
    end
  end
end

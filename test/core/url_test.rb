# frozen_string_literal: true

require_relative "../test_helper"

class UrlTest < Minitest::Test
  Url = IronTrellis::Core::Url

  def of(text) = Url::NormalForm.of(text)

  def test_scheme_and_host_are_lower_case_and_the_default_port_and_fragment_go
    assert_equal "https://example.test/A?b=C", of("HTTPS://EXAMPLE.test:443/A?b=C#d")
    assert_equal "http://example.test:8080/", of("http://example.test:8080")
  end

  def test_percent_encoding_is_upper_case_and_unreserved_characters_are_decoded
    assert_equal "http://a.test/~user/%C3%A9%2F", of("http://a.test/%7euser/%c3%a9%2f")
  end

  def test_the_query_is_kept_as_it_is
    assert_equal "http://a.test/?q=%7e%c3&b=", of("http://a.test/?q=%7e%c3&b=")
  end

  def test_what_browsers_encode_is_encoded
    assert_equal "http://a.test/caf%C3%A9%20x?q=%22%C3%A9%22", of("http://a.test/café x?q=\"é\"")
  end

  def test_hosts_are_read_as_browsers_read_them
    assert_equal "http://xn--mnchen-3ya.example/", of("http://MÜNCHEN.example/")
    assert_equal "http://127.0.0.1/", of("http://0x7f.1/")
    assert_equal "http://[::1]/", of("http://[0:0::1]/")
  end

  def test_what_is_no_web_address_is_refused_with_the_remedy
    [
      "example.test",
      "ftp://a.test/",
      "http://",
      "http://a b/",
      "javascript:alert(1)",
      "http://a.test:99999/"
    ].each do |text|
      error = assert_raises(Url::NormalForm::Malformed) { of(text) }
      assert_includes error.message, text
      assert_includes error.message, "http://"
    end
  end

  def test_stray_spaces_and_line_breaks_in_a_link_are_forgiven
    resolver = Url::Resolver.new(Url::NormalForm.parse("http://a.test/b/"))

    assert_equal "http://a.test/b/cd", resolver.call(" \n c\td ")
  end

  def test_other_schemes_lead_nowhere
    resolver = Url::Resolver.new(Url::NormalForm.parse("http://a.test/"))

    %w[mailto:x@a.test tel:1 javascript:void(0) data:,x].each { |link| assert_nil resolver.call(link) }
  end

  def test_the_id_depends_on_site_and_normal_form_only
    assert_equal Url::NormalForm.id(1, "http://a.test/"), Url::NormalForm.id(1, of("HTTP://A.test"))
    refute_equal Url::NormalForm.id(1, "http://a.test/"), Url::NormalForm.id(2, "http://a.test/")
  end

  def test_patterns_are_globs_paths_or_expressions_between_slashes
    assert Url::Pattern.new("*/tags/*").match?("http://a.test/x/tags/y")
    assert Url::Pattern.new("/lamps/*").match?("https://a.test/lamps/x")
    refute Url::Pattern.new("/lamps/*").match?("https://a.test/old/lamps/x")
    assert Url::Pattern.new('/page=\d+$/').match?("http://a.test/?page=12")
    assert_raises(Url::Pattern::Malformed) { Url::Pattern.new("/(/") }
    # Counts within counts, which PostgreSQL took seconds to minutes to try on a thousand addresses.
    large = assert_raises(Url::Pattern::Malformed) { Url::Pattern.new("/(\\p{L}{1,10}){1,20}/") }
    assert_match(/too large/, large.message)
    assert_raises(Url::Pattern::Malformed) { Url::Pattern.new("/(([a-z]{1,20}-?){1,10}\\/){1,20}/") }
  end

  def test_a_path_between_slashes_is_a_path
    assert Url::Pattern.new("/lamps/").match?("http://a.test/lamps/")
    assert Url::Pattern.new("/lamps/").match?("http://a.test/lamps/x"), "a folder is all that lies in it"
  end

  def test_scope_is_hosts_narrowed_by_patterns_and_exclude_wins
    scope =
      Url::Scope.new(
        hosts: %w[a.test b.test:8080],
        include: [Url::Pattern.new("*/shop/*")],
        exclude: [Url::Pattern.new("*/shop/cart*")]
      )

    assert scope.cover?("https://a.test/shop/x")
    assert scope.cover?("http://b.test:8080/shop/x")
    refute scope.cover?("http://b.test/shop/x")
    refute scope.cover?("https://a.test/about")
    refute scope.cover?("https://a.test/shop/cart")
    assert scope.host?("https://a.test/about")
  end

  # As they are typed: what it is read as, an address that it means, and one that it doesn't.
  AS_TYPED = {
    "/tag/" => %w[/tag/* http://a.test/tag/x/y http://a.test/old/tag/x],
    "/author/.*" => %w[/author/* http://a.test/author/x http://a.test/authors],
    "*.pdf" => %w[*.pdf http://a.test/x.pdf http://a.test/x.pdf/y],
    "?sort=" => %w[*?sort=* http://a.test/x?sort=up http://a.test/sort],
    "/" => %w[/ http://a.test/ http://a.test/x],
    "shop.test/lamps/" => %w[shop.test/lamps/* https://shop.test/lamps/x http://a.test/shop.test/lamps/x],
    "www.shop.test" => %w[www.shop.test/* http://www.shop.test/x http://shop.test/x],
    "print" => %w[*print* http://a.test/x/print http://a.test/x],
    "http://a.test/x/" => %w[http://a.test/x/ http://a.test/x/ http://a.test/x/y],
    "/page=\\d+$/" => ["/page=\\d+$/", "http://a.test/?page=2", "http://a.test/?page=x"]
  }.freeze

  def test_patterns_mean_what_people_mean_who_type_them
    AS_TYPED.each do |typed, (meaning, meant, other)|
      pattern = Url::Pattern.new(typed)
      assert_equal [meaning, true, false], [pattern.meaning, pattern.match?(meant), pattern.match?(other)], typed
    end
  end
end

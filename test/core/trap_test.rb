# frozen_string_literal: true

require_relative "../test_helper"

# Spaces of URLs that may grow without end, and what only looks a little like one.
class TrapTest < Minitest::Test
  Url = IronTrellis::Core::Url

  SPACES = {
    "/shop/shop/shop/" => ["repeating segments", "/…"],
    "/a/b/a/b/a/b" => ["repeating segments", "/…"],
    "/x/a/a/a/a/a/y" => ["repeating segments", "/x/…"],
    "/api/stylesheets/stylesheets/api/" => ["repeating segments", "/…"],
    "/doc/api/css/css/api/" => ["repeating segments", "/doc/…"],
    "/cal?y=2031&m=5" => %w[calendar /cal?m=#&y=#],
    "/tides/05-2031" => %w[calendar /tides/#-#],
    "/events/2031/05/" => %w[calendar /events/#/#/],
    "/events/2031-5-17" => %w[calendar /events/#-#-#],
    "/cal?month=2031-05&view=grid" => %w[calendar /cal?month=#&view=#],
    "/cal?year=2031&month=5" => %w[calendar /cal?month=#&year=#],
    "/p?PHPSESSID=8f3a" => ["session ids", "/p?phpsessid=*"],
    "/p;jsessionid=8F3A?x=1" => ["session ids", "/p;jsessionid=*"],
    "/find?c[]=1&c[]=2&c[]=3" => ["growing parameters", "/find?*"],
    "/find?#{(1..9).map { |number| "p#{number}=1" }.join("&")}" => ["growing parameters", "/find?*"]
  }.freeze
  PLAIN = %w[
    /
    /shop/shop/
    /org/lamp/lamp/1.0/lamp.jar
    /2031/01/01/01
    /p?m=5
    /lamps/ms-40
    /journal/2031/05/a-winter-on-the-mole
    /p?id=17
    /p?id=5f2b8e91c1a4
    /parts/1931-05-rings
    /find?c[]=1&c[]=2
    /p?date=soon
    /reports/2031
    /aa/aaa/aaaa
    /x/12/12
  ].freeze

  def test_each_way_of_growing_is_known_and_names_its_space
    SPACES.each do |path, (kind, space)|
      trap = Url::Trap.of(Url::NormalForm.parse("http://a.test#{path}"))
      assert_equal [kind, "http://a.test#{space}"], trap.to_a, path
    end
  end

  def test_what_is_no_endless_space_is_left_alone
    PLAIN.each { |path| assert_nil Url::Trap.of(Url::NormalForm.parse("http://a.test#{path}")), path }
  end

  def test_all_urls_of_one_space_have_one_name
    urls = (1..12).map { |month| "http://a.test/events/2031/#{format("%02d", month)}/" }

    assert_equal 1, urls.map { |url| Url::Trap.of(Url::NormalForm.parse(url)).space }.uniq.size
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

class RobotsFetchTest < Minitest::Test
  Core = IronTrellis::Core
  Fetch = IronTrellis::Fetch
  Parts = IronTrellis::Core::Url::NormalForm

  # Answers by URL, one after the other where there are several.
  class FakeClient
    attr_reader :asked

    def initialize(answers)
      @answers = answers.transform_values { |one| one.is_a?(Array) ? one.dup : [one] }
      @asked = []
    end

    def fetch(parts, body_limit:)
      @asked << parts.to_s
      queue = @answers.fetch(parts.to_s)
      (queue.size > 1) ? queue.shift : queue.first
    end
  end

  def answer(status, body = "", headers = [], error: nil) =
    Core::Crawling::Answer.new(status: status, body: body.b, header_lines: headers, error: error)

  def moved(to) = answer(301, "", ["Location: #{to}"])

  def fetch(answers)
    @client = FakeClient.new(answers)
    Fetch::Robots::RobotsFetch.call(@client, Parts.parse("http://a.test/deep/page?x=1"))
  end

  FILE = "User-agent: *\nDisallow: /private\n"
  AT = "http://a.test/robots.txt"

  def test_the_file_of_the_origin_is_asked_for
    result = fetch(AT => answer(200, FILE))

    assert_equal ["http://a.test", 200, nil, FILE, nil], result.to_a
    refute result.policy("x").decide(Parts.parse("http://a.test/private")).allowed?
  end

  # RFC 9309 section 2.3.1.2: at least five consecutive redirects, also to other hosts; beyond those it may count as
  # unavailable.
  def test_five_redirects_are_followed_and_a_sixth_means_no_file
    hops =
      (1..5).to_h do |number|
        [
          "http://h#{number}.test/robots.txt",
          (number == 5) ? answer(200, FILE) : moved("http://h#{number + 1}.test/robots.txt")
        ]
      end
    assert_equal [200, FILE], fetch(hops.merge(AT => moved("http://h1.test/robots.txt"))).to_h.values_at(:status, :body)

    endless = fetch(AT => moved("/robots.txt"))
    assert_equal 404, endless.status
    assert_equal 6, @client.asked.size
    assert endless.policy("x").decide(Parts.parse("http://a.test/private")).allowed?
  end

  def test_a_redirect_that_leads_nowhere_means_no_file
    assert_equal 404, fetch(AT => moved("mailto:a@b.test")).status
    assert_equal 404, fetch(AT => answer(301)).status
  end

  # RFC 9309 section 2.3.1.3 and 2.3.1.4: 4xx means no restriction, 5xx and no answer mean that nothing may be fetched.
  def test_what_is_unavailable_allows_all_and_what_is_unreachable_forbids_all
    [404, 403, 410, 429].each do |status|
      assert fetch(AT => answer(status)).policy("x").decide(Parts.parse("http://a.test/")).allowed?, status
    end
    refute fetch(AT => answer(503)).policy("x").decide(Parts.parse("http://a.test/")).allowed?
    refute fetch(AT => answer(nil, error: "timeout")).policy("x").decide(Parts.parse("http://a.test/")).allowed?
  end

  def test_what_may_pass_is_tried_once_more
    assert_equal 200, fetch(AT => [answer(503), answer(200, FILE)]).status
    assert_equal 200, fetch(AT => [answer(nil, error: "closed"), answer(200, FILE)]).status
    fetch(AT => answer(503))
    assert_equal 2, @client.asked.size
  end

  def test_nothing_is_said_of_a_host_without_an_address
    assert_nil fetch(AT => answer(nil, error: "dns")).policy("x")
  end

  # RFC 9309 section 2.5: what is beyond the limit may be left unread; a line cut in the middle would say something
  # else.
  def test_a_file_that_was_cut_ends_with_its_last_whole_line
    result = fetch(AT => answer(200, "#{FILE}Disallow: /pub", error: "too_large"))

    assert_equal [200, nil, FILE], [result.status, result.error, result.body]
  end

  def test_bytes_that_are_no_utf8_do_no_harm
    assert_equal "# ?%FF\nDisallow: /", fetch(AT => answer(200, "# ?\xFF\0\nDisallow: /".b)).body
  end
end

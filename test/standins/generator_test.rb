# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../standins/generator/application"

class GeneratorTest < Minitest::Test
  PAGES = 250

  def site = @site ||= PlainSite::Application.new(pages: PAGES, links: 10, words: 5)

  def get(path, verb: "GET")
    site.call(
      "PATH_INFO" => path,
      "REQUEST_METHOD" => verb,
      "HTTP_HOST" => "plain.example",
      "rack.url_scheme" => "http"
    )
  end

  def links(path) = get(path)[2].join.scan(/<a href="([^"]+)"/).flatten

  def test_every_page_is_reached_from_the_first_and_no_link_is_broken
    seen = {"/" => true}
    waiting = ["/"]
    until waiting.empty?
      links(waiting.shift).each do |path|
        next if seen[path]

        seen[path] = true
        waiting << path
      end
    end

    assert_equal PAGES + 1, seen.size
    assert_equal [200], seen.keys.map { |path| get(path).first }.uniq
  end

  def test_a_page_is_the_same_each_time_and_says_its_length
    assert_equal get("/s1/p117.html"),
      PlainSite::Application.new(pages: PAGES, links: 10, words: 5).call(
        "PATH_INFO" => "/s1/p117.html",
        "REQUEST_METHOD" => "GET",
        "HTTP_HOST" => "plain.example",
        "rack.url_scheme" => "http"
      )
    status, headers, body = get("/s1/p117.html", verb: "HEAD")
    assert_equal [200, []], [status, body]
    assert_equal get("/s1/p117.html")[2].join.bytesize, headers["content-length"].to_i
  end

  def test_other_addresses_have_no_page
    %w[/s0/p250.html /s2/p117.html /s1/p0117.html /x /s1/].each { |path| assert_equal 404, get(path).first, path }
  end

  # sitemaps.org: an index names files, which name every page.
  def test_sitemaps_list_every_page
    files = get("/sitemap.xml")[2].join.scan(%r{<loc>(.*?)</loc>}).flatten
    pages =
      files
        .flat_map do |file|
          get(file.delete_prefix("http://plain.example"))[2].join.scan(%r{<loc>http://plain\.example(.*?)</loc>})
        end
        .flatten

    assert_equal PAGES, pages.uniq.size
    assert_equal [200], pages.map { |path| get(path).first }.uniq
  end
end

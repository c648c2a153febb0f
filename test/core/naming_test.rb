# frozen_string_literal: true

require_relative "../test_helper"

# What addresses, file names and lines of source tell by their look; limits and weights.
class NamingTest < Minitest::Test
  Core = IronTrellis::Core

  def test_later_pages_of_a_list_know_their_first
    first = Core::Url::Paging.method(:first)
    {
      "http://a.test/x?page=3" => "http://a.test/x",
      "http://a.test/x?a=1&p=2" => "http://a.test/x?a=1",
      "http://a.test/x?page=2&a=1" => "http://a.test/x?a=1",
      "http://a.test/blog/page/4/" => "http://a.test/blog/",
      "http://a.test/blog/seite-2" => "http://a.test/blog/"
    }.each { |url, expected| assert_equal expected, first.call(url), url }
    %w[
      http://a.test/x?page=1
      http://a.test/page/
      http://a.test/x?homepage=2
      http://a.test/pages/2024
      http://a.test/x
    ].each { |url| assert_nil first.call(url), url }
    assert Core::Url::Paging.same?("http://a.test/x?page=1", "http://a.test/x/")
    refute Core::Url::Paging.same?("http://a.test/x", "http://a.test/y")
  end

  def test_names_of_images_that_say_nothing
    silent = %w[
      IMG_1234.jpg
      DSC00017.JPG
      image-3.png
      20240512_103344.jpg
      9f86d081884c7d65.webp
      550e8400-e29b-41d4-a716-446655440000.png
      Screenshot.png
      12.gif
      IMG_1-300x200.jpg
      photo.jpg?v=2
    ]
    silent.each { |name| assert Core::Content::FileName.says_nothing?("http://a.test/img/#{name}"), name }
    %w[anchor-light.jpg ms-40-copper.svg decade.png image-of-a-lamp.png 1931-net-loft.jpg facade.jpg].each do |name|
      refute Core::Content::FileName.says_nothing?("http://a.test/#{name}"), name
    end
    refute Core::Content::FileName.says_nothing?("http://a.test/")
  end

  def test_lines_that_decide_are_told_by_what_they_tell
    lines = [
      '<html lang="da">',
      "<TITLE>x</TITLE>",
      "<meta content='none' name=robots>",
      '<meta name="ironbot" content="noindex">',
      '<link href="/x" rel="foo canonical">',
      "<meta http-equiv=refresh content=0>",
      "<p>the title of the robots</p>",
      '<script type="application/ld+json">'
    ]
    assert_equal [
      %w[language],
      %w[title],
      %w[directive],
      %w[directive],
      %w[canonical],
      %w[refresh],
      [],
      ["structured data"]
    ],
      Core::Page::DecidingLines.of(lines, agent: "IronBot")
    headers = [
      "Content-Type: text/html",
      "X-Robots-Tag: noindex",
      'Link: <http://a.test/>; rel="canonical"',
      "Server: x",
      "Location: /y"
    ]
    assert_equal [%w[type], %w[directive], %w[canonical], [], %w[redirect]],
      Core::Page::DecidingLines.of_headers(headers)
  end

  def test_a_group_has_the_limits_of_the_site_but_for_its_own
    limits = Core::Settings::Limits.new({"title_long" => 70, "deep" => 6}, {"/a/" => {"title_long" => 80}, "/b/" => {}})
    assert_equal [[80, 6, 30], [70, 6, 30]],
      %w[/a/ /b/].map { |group|
        limits.for(group).then { |one| [one.title_long, one.deep, one.title_short] }
      }
    assert_same limits.for("/b/"), limits.for("/c/")
    assert_equal [70, 200_000], [limits.least(:title_long), limits.least(:heavy_image)]
    error = assert_raises(Core::Settings::Problems) { Core::Settings::Limits.new({"deep" => -1, "wind" => 3}, {}) }
    assert_equal %w[deep wind], error.data[:problems].map { |one| one[:field] }.sort
  end

  def test_weights_are_numbers_of_known_parts_of_which_one_counts
    assert_equal 0.5, Core::Importance::Weights.of({"authority" => 0.5})["authority"]
    [
      {"authority" => 2},
      {"wind" => 1},
      {"authority" => 0, "clicks" => 0, "impressions" => 0, "nearness" => 0, "sitemap" => 0}
    ].each { |given| assert_raises(Core::Settings::Problems) { Core::Importance::Weights.of(given) } }
    score =
      Core::Importance::Score.of(
        {"authority" => 1.0, "nearness" => 0.0},
        weights: Core::Importance::Weights.of({"authority" => 0.0, "nearness" => 1.0})
      )
    assert_equal 0.0, score.value
    assert_nil Core::Importance::Score.of({"authority" => 1.0}, weights: {"authority" => 0.0})
  end

  def test_the_rung_distinct
    judge = ->(**changes) do
      Core::Ladder::Rungs::Distinct.judge(
        Core::Ladder::Evidence.new(status: 200, kind: "html", words: 80, word_floor: 50, soft_missing: false, **changes)
      )
    end
    assert_equal :pass, judge.call.state
    assert_equal "49 words, and the floor is 50", judge.call(words: 49).reason
    assert_equal "it reads like the site's missing page", judge.call(soft_missing: true, words: 3).reason
    assert_equal %i[pass pass unknown],
      [judge.call(kind: "pdf", words: 3), judge.call(words: nil), judge.call(status: nil)].map(&:state)
    assert_equal ["copy of http://a.test/", "near copy (0.90) of http://a.test/"],
      [1.0, 0.9].map { |similarity|
        Core::Ladder::Rungs::Distinct.judge_copy("http://a.test/", similarity).reason
      }
  end
end

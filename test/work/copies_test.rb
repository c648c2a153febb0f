# frozen_string_literal: true

require_relative "../test_helper"

# What is told of copies, and of how much of a page is its own, on small sites of other kinds than the demo.
class CopiesOfCrawlTest < Minitest::Test
  include TestDatabase
  include FaultsTold

  def said(name, words = 60) = (1..words).map { |number| "#{name}#{number}" }.join(" ")

  def page(title, body) =
    "<!doctype html><html lang=en><head><title>#{title}</title></head><body><div id=menu><a href=/>Home</a> | <a " \
    "href=/blog/>Blog</a></div><div>#{body}</div></body></html>"

  def post(name) = "<p>#{said("#{name}a", 30)}</p><p>#{said("#{name}b", 30)}</p>"

  # Posts shown whole under linked headings, excerpts with a link below, cards that are one link, teasers on the home
  # page.
  def test_originals_keep_their_words_and_listings_have_little_of_their_own
    posts = %w[oil wick glass rope sail]
    pages = posts.to_h { |name| ["/blog/#{name}", page("On #{name}", "<h1>On #{name}</h1>#{post(name)}")] }
    whole = posts.map { |name| "<h2><a href=/blog/#{name}>On #{name}</a></h2>#{post(name)}" }.join
    excerpts = posts.map { |name| "<p>#{said("#{name}a", 30)}</p><p><a href=/blog/#{name}>Read more</a></p>" }.join
    cards =
      posts.first(3).map { |name| "<a href=/blog/#{name}><h3>On #{name}</h3><p>#{said("#{name}b", 30)}</p></a>" }.join
    crawl =
      crawl_here(
        SmallSite.new(
          pages.merge(
            "/" => page("Home", "<h1>Home</h1><p>#{said("home", 100)}</p>#{cards} <a href=/tag/all>All</a>"),
            "/blog/" => page("Blog", "<h1>Blog</h1>#{whole}"),
            "/tag/all" => page("All", "<h1>All</h1>#{excerpts}")
          )
        )
      )
    rows = rows_of(crawl)

    assert_equal(
      {"/blog/oil" => 1.0, "/blog/wick" => 1.0, "/blog/glass" => 1.0, "/blog/rope" => 1.0, "/blog/sail" => 1.0},
      rows.slice(*pages.keys).transform_values { |row| row["unique_share"].round(1) }
    )
    assert_equal %w[/blog/ /tag/all], told_of(crawl, "little-of-its-own").map { |_, url, _| url }
    assert_operator rows["/"]["unique_share"], :>, 0.4
  end

  # References that only say where else to look, each beside the same long menu; the one is said twice.
  def test_pages_that_say_nearly_nothing_are_thin_and_no_copies_whatever_menu_stands_beside_them
    menu = (1..60).map { |number| "<li><a href=/ref/f#{number}>Entry of the menu #{number}</a></li>" }.join
    stub = ->(name) { page("On #{name}", "<ul>#{menu}</ul><h1>On #{name}</h1><p>See also #{name} marking.</p>") }
    pages = %w[octave pedal slur tie turn trill].to_h { |name| ["/ref/#{name}", stub.call(name)] }
    links = "<p>#{pages.keys.map { |path| "<a href=#{path}>#{path}</a>" }.join(" ")} <a href=/ref/again>again</a></p>"
    home = page("Home", "<p>#{said("home", 130)}</p>#{links}")
    crawl = crawl_here(SmallSite.new(pages.merge("/" => home, "/ref/again" => stub.call("octave"))))

    assert_equal [["copy-exact", "/ref/octave", "/ref/again"]], told_of(crawl, "copy-exact")
    assert_empty told_of(crawl, "copy-near")
    assert_equal (pages.keys + %w[/ref/again]).sort, told_of(crawl, "thin").map { |_, url, _| url }.sort
  end

  # One manual in chapters and, again, on one page, with contents that only lead to them.
  def test_the_parts_of_a_manual_own_their_words_and_contents_need_none
    chapters = (1..5).to_h { |number| ["/manual/#{number}", "<p>#{said("chapter#{number}-", 130)}</p>"] }
    pages = chapters.to_h { |path, text| [path, page("Chapter #{path}", text)] }
    list = chapters.keys.map { |path| "<li><a href=#{path}>The chapter that is found at #{path}</a></li>" }.join
    pages["/manual/all"] = page("All chapters", "<h1>All of it</h1>#{chapters.values.join}")
    pages["/de/"] = page("Start", "<ul>#{list}</ul>#{chapters.values.first}")
    pages["/manual/"] = page("Contents", "<h1>Contents</h1><ul>#{list}</ul>")
    links = %w[/manual/ /manual/all /de/].map { |path| "<a href=#{path}>a</a>" }.join
    pages["/"] = page("Home", "<p>#{said("home", 130)}</p>#{links}")

    assert_equal %w[/manual/all],
      told_of(crawl_here(SmallSite.new(pages)), "little-of-its-own").map { |_, url, _| url }
  end

  def test_the_address_of_a_folder_stands_before_its_index_file_whatever_links_and_sitemaps_name
    same = page("Home", "<p>#{said("home", 130)}</p><a href=/index.html>home</a><a href=/a>a</a>")
    map =
      "<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'>" \
        "<url><loc>http://small.example/index.html</loc></url></urlset>"
    crawl = crawl_here(
      SmallSite.new(
        "/" => same, "/index.html" => same,
        "/a" => page("A", "<p>#{said("lamp", 130)}</p><a href=/index.html>home</a>"),
        "/robots.txt" => [200, {"content-type" => "text/plain"}, "Sitemap: http://small.example/sitemap.xml\n"],
        "/sitemap.xml" => [200, {"content-type" => "application/xml"}, map]
      )
    )
    assert_equal [["copy-exact", "/index.html", "/"]], told_of(crawl, "copy-exact")
  end

  # Two pages that carry one text and link to each other by the way own none of it.
  def test_a_text_on_two_pages_is_neither_ones_because_they_link_to_each_other
    shared = "<p>#{said("shared", 120)}</p>"
    pages = {
      "/" => page("Home", "<p>#{said("home")}</p><a href=/a>a</a>"),
      "/a" => page("A", "<p>#{said("only", 20)}</p>#{shared}<p><a href=/b>See b</a></p>"),
      "/b" => page("B", "<p>#{said("alone", 20)}</p>#{shared}<p><a href=/a>See a</a></p>")
    }
    assert_equal [["little-of-its-own", "/a", nil], ["little-of-its-own", "/b", nil]],
      told_of(crawl_here(SmallSite.new(pages)), "little-of-its-own")
  end

  # References of one folder share a long list of contents in a div and differ in what they say; two differ in signs and
  # case only.
  def test_contents_of_a_folder_are_no_main_text_and_exact_is_to_the_letter
    contents = (1..40).map { |number| "<div><a href=/ref/api/f#{number}>Function number #{number}</a></div>" }.join
    frame = "<p>#{said("frame", 60)}</p>"
    code = "<p>Give it #{said("word", 60)} and see what happens.</p>"
    pages =
      (1..6).to_h do |number|
        ["/ref/api/f#{number}", page("F#{number}", "#{contents}#{frame}<p>#{said("f#{number}-", 25)}</p>")]
      end
    pages["/ref/api/same1"] = page("Same", "#{contents}#{frame}#{code}")
    pages["/ref/api/same2"] = page("Same", "#{contents}#{frame}#{code}")
    pages["/ref/api/signs"] = page("Signs", "#{contents}#{frame}#{code.sub("word7", "Word7;")}")
    links = pages.keys.map { |path| "<a href=#{path}>#{path}</a>" }.join(" ")
    others =
      (1..12).to_h { |number| ["/ref/part#{number}/", page("Part #{number}", "<p>#{said("part#{number}-", 80)}</p>")] }
    crawl =
      crawl_here(
        SmallSite.new(
          pages.merge(others).merge(
            "/" =>
              page("Home", "<p>#{said("home")}</p>#{links} #{others.keys.map { |path| "<a href=#{path}>x</a>" }.join}")
          )
        )
      )

    assert_equal [%w[copy-exact /ref/api/same2 /ref/api/same1], %w[copy-near /ref/api/signs /ref/api/same1]],
      told_of(crawl, "copy-exact", "copy-near")
    assert_operator rows_of(crawl)["/ref/api/signs"]["similarity"], :<, 1.0
  end
end

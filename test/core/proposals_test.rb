# frozen_string_literal: true

require_relative "../test_helper"

# Page groups by how pages are built: skeletons, templates, and the addresses that tell them apart.
class ProposalsTest < Minitest::Test
  Core = IronTrellis::Core
  Groups = Core::Groups
  FRAME = '<header class="site-header"><nav class="menu"><a class="x" href="/">Home</a></nav></header>' \
    '<div class="wrap">%s</div><footer class="site-footer"><form id="find"></form></footer>'
  POST = '<article class="post h-entry post-%<number>d"><header class="post-header"><h1 class="post-title">%<title>s' \
    '</h1></header><div class="post-content"><p>%<title>s</p>%<more>s</div></article>'
  CODE = '<div class="highlight"><pre class="code"><span class="k">if</span></pre></div>'
  LIST = '<h2 class="list-heading">All</h2><ul class="post-list"><li class="item">%<title>s</li></ul>' \
    '<div class="pager"></div>'
  PAGE = '<article class="page"><h1 class="page-title">%<title>s</h1><section class="facts"></section></article>'

  def skeleton(inside, body: "home") =
    Core::Page::DocumentReading.new(
      "<html><body class='#{body}'>#{format(FRAME, inside)}</body></html>",
      Core::Url::NormalForm.parse("http://a.test/")
    ).skeleton

  def post(number, more = "") = skeleton(format(POST, number: number, title: "Lamp #{number}", more: more))

  def list(number) = skeleton(format(LIST, title: "Lamp #{number}"))

  def page(number) = skeleton(format(PAGE, title: "About #{number}"))

  # A blog whose posts, pages and lists lie at the root.
  def blog
    pages = (1..30).to_h { |number| ["/lamp-of-sort-#{number}.html", post(number, (number % 3).zero? ? CODE : "")] }
    pages.merge!((2..9).to_h { |number| ["/index#{number}.html", list(number)] })
    pages.merge!(%w[oils wicks masts].to_h { |word| ["/tag/#{word}.html", list(word.size)] })
    pages.merge("/about.html" => page(1), "/imprint.html" => page(2), "/" => list(1))
  end

  def proposed(sketches, kinds: {})
    skeletons = Groups::Skeletons.new(sketches.values.tally)
    tokens = skeletons.templates.to_h { |one| [one.id, Core::Page::Skeleton.telling(one.core)] }
    pages =
      sketches.map do |path, sketch|
        Groups::Proposals::Page.new(url: "http://a.test#{path}", template: skeletons.of(sketch), kind: kinds[path])
      end
    Groups::Proposals.of(pages, tokens, "a.test")
  end

  def test_numbers_and_words_make_no_other_skeleton_and_elements_do
    assert_equal post(1), post(22)
    refute_equal post(1), list(1)
    refute_equal skeleton("<p class=a></p>"), skeleton("<p class=b></p>")
    assert_equal skeleton("<p class='b  a b'></p>"), skeleton("<p class='a b'></p><p class='a b'></p>")
    assert_equal skeleton("<p>x</p>"), skeleton("<p>y</p><b class=z>z</b>"), "lines of text are what it says"
    assert_equal skeleton(""), skeleton("<script>'<div class=x>'</script>")
    refute_equal skeleton("", body: "single"), skeleton("", body: "archive")
  end

  def test_a_sketch_holds_the_smallest_hashes
    many = (1..200).map { |number| "<p class='#{(97 + number % 26).chr * (1 + number / 26)}'></p>" }.join
    hashes = Core::Page::Skeleton.hashes(skeleton(many))
    assert_equal [64, hashes.sort], [hashes.size, hashes]
  end

  def test_pages_that_are_built_alike_are_one_template_whatever_stands_in_their_text
    sketches = blog
    skeletons = Groups::Skeletons.new(sketches.values.tally)
    found = sketches.keys.group_by { |path| skeletons.of(sketches[path]) }.values.map(&:size)
    assert_equal [30, 12, 2], found.sort.reverse
    assert_equal %w[t1 t2 t3], skeletons.templates.map(&:id), "by pages"
    assert_equal [30, 12, 2], skeletons.templates.map(&:pages)
    again = Groups::Skeletons.new(sketches.values.reverse.tally)
    assert_equal skeletons.as_json, again.as_json, "whatever order they came in"
  end

  # A later crawl knows a template again, though its pages changed somewhat.
  def test_a_template_is_known_again
    before = Groups::Skeletons.new(blog.values.tally)
    later = blog.merge("/new.html" => post(99, "<figure class=wide></figure>"))
    after = Groups::Skeletons.new(later.values.tally)
    before.templates.each { |one| assert_equal one.id, after.like(one.core) }
    assert_nil after.like(Core::Page::Skeleton.of("<main class=q></main><dl class=r></dl>"))
  end

  def test_groups_are_templates_by_the_shortest_addresses
    found = proposed(blog, kinds: {"/tag/oils.html" => "tag archive"})
    assert_equal [["Pages like /about.html", 2], ["Pages like /", 12], ["Pages like /lamp-of-sort-1.html", 30]],
      found.map { |one| [one.name, one.pages] }
    assert_equal [true, true], [found[1].patterns.include?("/index#.html"), found.all? { |one| one.template.nil? }]
    assert_equal 44, found.sum(&:pages)
    grouping =
      Groups::Grouping.new(
        groups: found.map { |one| Groups::Grouping::Group.of(one.name, one.patterns.join("\n")) },
        main_host: "a.test"
      )
    assert_equal "Pages like /", grouping.name("http://a.test/index31.html"), "what no crawl has read goes by pattern"
  end

  def test_where_addresses_cannot_tell_the_group_is_by_template
    words = %w[oil wick mast lens brass rope tar sail keel hull]
    sketches = words.each_with_index.to_h { |word, at| ["/#{word}", at.even? ? post(at) : list(at)] }
    found = proposed(sketches)
    by_template = found.find(&:template)
    assert_equal [[], 5], [by_template.patterns, by_template.pages]
    built = {"http://a.test/oil" => "core"}
    group = Groups::Grouping::Group.of("Posts", "", "core")
    assert_equal [true, false], %w[oil wick].map { |word| group.match?("http://a.test/#{word}", built) }
    both = Groups::Grouping::Group.of("Posts", "/o*", "core")
    assert_equal [true, false], [both.match?("http://a.test/oil", built), both.match?("http://a.test/oak", built)]
  end

  def test_pages_without_classes_are_parted_by_folders_and_single_ones_are_others
    sketch = Core::Page::Skeleton.of("<p>x</p>")
    found = proposed(%w[/a/1 /a/2 /b/1 /b/2 /b/3 /c].to_h { |path| [path, sketch] })
    assert_equal [["/a/", 2], ["/b/", 3], ["Other pages", 1]], found.map { |one| [one.name, one.pages] }
    assert_equal [0, 1], ["<nav></nav>", "<ul class=\"x\"></ul>"].map { |html|
      Core::Page::Skeleton.telling(Core::Page::Skeleton.of(html))
    }
    assert_equal ["*"], found.last.patterns
  end

  def test_groups_are_called_by_their_kind_and_are_twenty_five_at_most
    paths = ("a".."an").flat_map { |name| [1, 2].map { |page| "/#{name}/#{page}" } }
    found = proposed(paths.to_h { |path| [path, Core::Page::Skeleton.of("")] })
    assert_equal [25, "Other pages"], [found.size, found.last.name]
    tags = %w[/tag/a /tag/b].to_h { |path| [path, list(1)] }
    assert_equal "Tag archives", proposed(tags, kinds: tags.transform_values { "tag archive" }).first.name
  end

  def test_patterns_know_runs_of_digits
    pattern = Core::Url::Pattern.new("/index#.html")
    assert_equal [true, false, false],
      %w[/index12.html /index.html /indexes.html].map { |path| pattern.match?("http://a.test#{path}") }
    assert_equal ["/p/#"], Groups::AddressPatterns.of(%w[http://a.test/p/1 http://a.test/p/22], ["http://a.test/p/x"])
    mine, others = %w[oil wick mast lens rope], %w[sail tar keel]
    assert_nil Groups::AddressPatterns.of(*[mine, others].map { |all| all.map { |word| "http://a.test/#{word}" } })
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Main texts, shingles, clusters of copies, and what only one text says.
class CoreCopiesTest < Minitest::Test
  Copies = IronTrellis::Core::Copies

  LONG = (1..120).map { |number| "word#{number}" }.freeze

  def copies(*texts)
    finder = Copies::Finder.new
    texts.each { |text| finder.add(Copies::Shingles.of(text), text) }
    finder.copies.transform_values { |copy| [copy.stands, copy.similarity.round(2)] }
  end

  # @return [String] the long text, with these words replaced
  def changed(*places) =
    LONG.each_with_index.map { |word, place| places.include?(place) ? "other#{place}" : word }.join(" ")

  def test_shingles_look_at_words_only
    assert_equal Copies::Shingles.of("One, two — three four five.").to_a,
      Copies::Shingles.of("one two three FOUR five").to_a
    assert_equal 1, Copies::Shingles.of("too short").size
    assert_empty Copies::Shingles.of(" … ").to_a
    assert_equal 1.0, Copies::Shingles.similarity(Copies::Shingles.of("a b"), Copies::Shingles.of("a b"))
    assert_equal 0.0, Copies::Shingles.similarity(Copies::Shingles.of(""), Copies::Shingles.of(""))
  end

  def test_texts_of_any_size_come_out_the_same_alone_and_together
    random = Random.new(3)
    texts =
      ["", "x", "ÆØÅ “quoted” — and more words", "a " * 700_000] +
      Array.new(40) { Array.new(random.rand(0..30_000)) { random.rand(1 << 30).to_s(36) }.join(" ") }
    together = Copies::Shingles.of_all(texts)
    texts.zip(together) { |text, shingles| assert_equal Copies::Shingles.of(text).to_a, shingles.to_a }
    assert_equal [0, 1, 1, 1], together.first(4).map(&:size)
  end

  def test_the_first_text_stands_for_its_copies
    assert_equal(
      {1 => [0, 1.0], 2 => [0, 0.92]},
      copies(changed, changed, changed(59), (1..60).map { |number| "else#{number}" }.join(" "))
    )
  end

  def test_a_copy_of_a_copy_is_none_where_it_is_not_like_what_stands_for_that
    assert_equal({1 => [0, 0.87]}, copies(changed, changed(0, 1, 2, 20), changed(0, 1, 2, 20, 60)))
    assert_equal(
      {1 => [0, 0.87], 3 => [2, 0.9]},
      copies(changed, changed(0, 1, 2, 20), changed(0, 1, 2, 20, 60, 80), changed(0, 1, 2, 20, 60, 80, 100, 119))
    )
  end

  def test_what_differs_in_letters_case_or_signs_is_no_exact_copy
    assert_equal({1 => [0, 1.0]}, copies(changed, changed))
    finder = Copies::Finder.new
    [changed, changed.sub("word7", "Word7"), "#{changed};"].each { |text| finder.add(Copies::Shingles.of(text), text) }
    assert_equal [Copies::Finder::NEARLY_SAME] * 2, finder.copies.values.map(&:similarity)
  end

  def test_texts_without_words_are_no_copies_of_others
    assert_equal({1 => [0, 1.0]}, copies("…", "…", changed))
  end

  def shares_of(texts)
    own = Copies::UniqueShare.new(0)
    texts.each { |text| own.add(Copies::Shingles.of(text)) }
    own.shares.map { |share| share&.round(4) }
  end

  def test_what_stands_in_one_text_only_is_its_own
    assert_equal [0.3333, 0.3333, nil, 1.0], shares_of(["a b c d e f g", "a b c d e f h", "", "q r s t u v w"])
  end

  # A manual in five parts, all of it on one page, and one page that isn't much longer than the part that it repeats.
  def test_parts_own_what_an_edition_on_one_page_says_again
    parts = Array.new(5) { |part| Array.new(40) { |word| "part#{part}word#{word}" }.join(" ") }
    longer = Array.new(40) { |word| "more#{word}" }.join(" ")
    shares = shares_of([*parts, "contents of what follows #{parts.join(" ")}", "#{longer} #{parts.first}"])

    assert_equal [0.0, 1.0, 1.0, 1.0, 1.0], shares.first(5)
    assert_operator shares[5], :<, 0.15
    assert_operator shares[6], :>, 0.4
  end

  def test_of_no_texts_and_of_texts_without_words_nothing_is_told
    assert_empty Copies::UniqueShare.new(0).shares
    own = Copies::UniqueShare.new(0)
    own.add(Copies::Shingles.of(""))
    assert_equal [nil], own.shares
    assert_empty Copies::Finder.new.copies
    assert_empty Copies::Shingles.of_all([])
  end

  def test_of_very_many_shingles_a_sample_is_kept_and_shares_stay_right
    random = Random.new(5)
    shared = Array.new(300) { |number| "shared#{number}" }.join(" ")
    own = Copies::UniqueShare.new(Copies::UniqueShare::MOST * 4)
    8.times { own.add(Copies::Shingles.of("#{shared} #{Array.new(300) { random.rand(1 << 40) }.join(" ")}")) }
    own.shares.each { |share| assert_in_delta 0.5, share, 0.15 }
  end

  # Of a thousand runs and more only a part is looked at; around that limit two texts may be looked at in different
  # ways.
  def test_long_texts_are_found_by_a_part_of_them
    random = Random.new(5)
    [900, 1_020, 1_030, 1_200, 1_500, 6_000].each do |size|
      words = Array.new(size) { random.rand(1 << 40).to_s(36) }
      near = words.dup.tap { |changed| (size / 120).times { |place| changed[place * 100] = "other#{place}" } }
      longer = words + Array.new(size / 20) { random.rand(1 << 40).to_s(36) }
      far = Array.new(size) { random.rand(1 << 40).to_s(36) }
      finder = Copies::Finder.new
      texts = [words, far, near, longer].map { |some| Copies::Shingles.of(some.join(" ")) }
      texts.each_with_index { |shingles, number| finder.add(shingles, number) }
      found = finder.copies
      assert_equal [2, 3], found.keys.sort, size.to_s
      found.each do |number, copy|
        assert_in_delta Copies::Shingles.similarity(texts[0], texts[number]), copy.similarity, 0.04, "#{size} words"
      end
    end
  end

  def test_frames_and_the_boilerplate_of_a_group_are_no_main_text
    blocks = Copies::MainText.blocks("Menu\nLamp\nUse it\nImprint", [0, 1, 3, 4])
    assert_equal ["Lamp", "Use it"], blocks
    assert_equal ["Menu"], Copies::MainText.blocks("Menu", [0, 1])
    assert_equal ["Menu"], Copies::MainText.blocks("Menu", nil)
    assert_equal 399_999, Copies::MainText.blocks("a\n" * 400_000, [7, 8]).size, "more lines than the stack could hold"

    pages = Array.new(5) { |number| ["Ask us by letter", "Lamp #{number}"] }
    boilerplate = Copies::Boilerplate.of(pages)
    assert_equal({"Ask us by letter" => true}, boilerplate)
    assert_empty Copies::Boilerplate.of(pages.first(4))
    assert_empty Copies::Boilerplate.of(Array.new(9) { pages.first }), "the same page again and again tells nothing"
    own = ->(lines, menus = nil) { Copies::MainText.own(lines, (0...lines.size).to_a, menus, [boilerplate]) }
    assert_equal [[1], []], own.call(["Ask us by letter", changed])
    assert_equal [[], []], own.call(["Ask us by letter"]), "nothing but its template"
    assert_equal [[1], [0]], own.call(["Contents of the book", changed], [0])
    assert_equal [[], [0, 1]], own.call(["Contents of the book", "Lamps"], [0, 1]), "nothing but a list of links"
    assert_equal 6, Copies::MainText.words(["Contents of the book", "Lamps", "See lamps"], [0, 2])
  end

  def test_frames_of_a_deeper_folder_are_found_whatever_else_its_group_holds
    pages =
      (1..9).map { |number| ["http://a.test/doc/api/#{number}", ["Chapters of the reference", "Page #{number}"]] } +
      (1..30).map { |number| ["http://a.test/doc/x#{number}/", ["Part #{number}"]] }
    frames = Copies::FolderFrames.new(pages.map(&:first))
    frames.sample.each { |url| frames.add(url, pages.to_h.fetch(url)) }
    assert_equal({"http://a.test/doc/api/" => {"Chapters of the reference" => true}}, frames.call)
    assert_equal %w[http://a.test/doc/ http://a.test/doc/api/],
      Copies::FolderFrames.folders("http://a.test/doc/api/1?x=/y/")
    assert_empty Copies::FolderFrames.folders("http://a.test/top")
  end

  # A listing quotes two entries with their links and says one line itself; two pages that quote each other have nothing
  # of their own.
  def test_what_a_listing_quotes_belongs_to_the_page_that_it_links_to
    said = ->(name, size = 40) { (1..size).map { |number| "#{name}#{number}" }.join(" ") }
    shingles = Copies::Shingles.method(:of)
    own = Copies::UniqueShare.new(0)
    own.add(shingles.call("#{said.call("oil", 20)} #{said.call("more")}"), name: :oil)
    own.add(shingles.call(said.call("wick")), name: :wick)
    own.add(
      shingles.call(said.call("list", 9)),
      name: :list,
      quotes: [[shingles.call(said.call("oil", 20)), %i[wick oil]], [shingles.call(said.call("wick")), [:wick]]]
    )
    own.add(shingles.call("x"), name: :one, quotes: [[shingles.call(said.call("both")), [:other]]])
    own.add(shingles.call("y"), name: :other, quotes: [[shingles.call(said.call("both")), [:one]]])
    own.add(shingles.call("z"), name: :teaser, quotes: [[shingles.call(said.call("teased")), [:gone]]])
    shares = own.shares.map { |share| share.round(2) }
    assert_equal [1.0, 1.0, 0.09], shares.first(3)
    assert_equal [0.03, 0.03, 1.0], shares.last(3), "what nobody else says is its own, though a link stands beside it"
  end

  def test_lines_that_may_be_quotes_are_those_at_a_link_and_under_a_linked_heading
    anchor = ->(target, line, sole: false, heading: false) do
      Copies::Quotes::Anchor.new(target: target, from: line, to: line, sole: sole, heading: heading)
    end
    quotes = ->(anchors, size = 12) do
      Copies::Quotes
        .of((0...size).to_a, anchors)
        .then { |own, found| [own, found.map { |one| [one.lines, one.targets] }] }
    end
    assert_equal [[0, 1, 3, 4], [[[2], [:a]]]], quotes.call([anchor.call(:a, 2)], 5)
    assert_equal [[0], [[[1, 2, 3, 4], [:a]], [[5, 6, 7], %i[a b]], [[8, 9, 10, 11], [:b]]]],
      quotes.call([anchor.call(:a, 4, sole: true), anchor.call(:b, 8, sole: true)])
    heads = quotes.call([anchor.call(:a, 0, heading: true), anchor.call(:b, 9, heading: true)]).last
    assert_equal [(0..11).to_a, [0, 1, 2, 3, 4, 5, 6, 7, 8], [6, 7, 8, 9, 10, 11]],
      [
        heads.flat_map(&:first),
        *%i[a b].map { |name| heads.select { |_, targets| targets.include?(name) }.flat_map(&:first) }
      ]
  end

  def test_frames_are_what_stands_outside_main_and_in_navigation
    html =
      "<header>Works<nav>Menu</nav></header><main><header>Lamp</header><p>Text</p><aside>More</aside></main>" \
      "<footer>Imprint</footer>After&#1;"
    page =
      IronTrellis::Core::Page::DocumentReading.new(
        "<body>#{html}</body>",
        IronTrellis::Core::Url::NormalForm.parse("http://a.test/")
      )
    assert_equal ["Works\nMenu\nLamp\nText\nMore\nImprint\nAfter", %w[Lamp Text After]],
      [page.text, Copies::MainText.blocks(page.text, page.frames)]
  end
end

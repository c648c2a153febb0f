# frozen_string_literal: true

require_relative "../test_helper"

# Main texts, shingles, clusters of copies, and what only one text says.
class CoreCopiesTest < Minitest::Test
  Copies = IronTrellis::Core::Copies

  LONG = (1..120).map { |number| "word#{number}" }.freeze

  def copies(*texts)
    finder = Copies::Finder.new
    texts.each { |text| finder.add(Copies::Shingles.of(text), text) }
    finder.copies.transform_values { |copy| [copy.stands, copy.likeness.round(2)] }
  end

  # @return [String] the long text, with these words replaced
  def changed(*places) = LONG.each_with_index.map { |word, place| places.include?(place) ? "other#{place}" : word }.join(" ")

  def test_shingles_look_at_words_only
    assert_equal Copies::Shingles.of("One, two — three four five.").to_a, Copies::Shingles.of("one two three FOUR five").to_a
    assert_equal 1, Copies::Shingles.of("too short").size
    assert_empty Copies::Shingles.of(" … ").to_a
    assert_equal 1.0, Copies::Shingles.likeness(Copies::Shingles.of("a b"), Copies::Shingles.of("a b"))
    assert_equal 0.0, Copies::Shingles.likeness(Copies::Shingles.of(""), Copies::Shingles.of(""))
  end

  def test_texts_of_any_size_come_out_the_same_alone_and_together
    random = Random.new(3)
    texts = ["", "x", "ÆØÅ “quoted” — and more words", "a " * 700_000] + Array.new(40) { Array.new(random.rand(0..30_000)) { random.rand(1 << 30).to_s(36) }.join(" ") }
    together = Copies::Shingles.of_all(texts)
    texts.zip(together) { |text, shingles| assert_equal Copies::Shingles.of(text).to_a, shingles.to_a }
    assert_equal [0, 1, 1, 1], together.first(4).map(&:size)
  end

  def test_the_first_text_stands_for_its_copies
    assert_equal({1 => [0, 1.0], 2 => [0, 0.92]}, copies(changed, changed, changed(59), (1..60).map { |number| "else#{number}" }.join(" ")))
  end

  def test_a_copy_of_a_copy_belongs_to_the_cluster_while_it_is_still_like_the_first
    assert_equal({1 => [0, 0.87], 2 => [0, 0.8]}, copies(changed, changed(0, 1, 2, 20), changed(0, 1, 2, 20, 60)))
    assert_equal({1 => [0, 0.87], 3 => [2, 0.9]}, copies(changed, changed(0, 1, 2, 20), changed(0, 1, 2, 20, 60, 80), changed(0, 1, 2, 20, 60, 80, 100, 119)).then { |found| found.slice(1).merge(found.slice(3)) })
  end

  def test_texts_without_words_are_no_copies_of_others
    assert_equal({1 => [0, 1.0]}, copies("…", "…", changed))
  end

  def test_what_stands_in_one_text_only_is_its_own
    own = Copies::OwnShare.new(0)
    ["a b c d e f g", "a b c d e f h", "", "q r s t u v w"].each { |text| own.add(Copies::Shingles.of(text)) }
    assert_equal [0.3333, 0.3333, nil, 1.0], own.shares.map { |share| share&.round(4) }
  end

  def test_of_no_texts_and_of_texts_without_words_nothing_is_told
    assert_empty Copies::OwnShare.new(0).shares
    own = Copies::OwnShare.new(0)
    own.add(Copies::Shingles.of(""))
    assert_equal [nil], own.shares
    assert_empty Copies::Finder.new.copies
    assert_empty Copies::Shingles.of_all([])
  end

  def test_of_very_many_shingles_a_sample_is_kept_and_shares_stay_right
    random = Random.new(5)
    shared = Array.new(300) { |number| "shared#{number}" }.join(" ")
    own = Copies::OwnShare.new(Copies::OwnShare::MOST * 4)
    8.times { own.add(Copies::Shingles.of("#{shared} #{Array.new(300) { random.rand(1 << 40) }.join(" ")}")) }
    own.shares.each { |share| assert_in_delta 0.5, share, 0.15 }
  end

  # Of a thousand runs and more only a part is looked at; around that limit two texts may be looked at in different ways.
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
      found.each { |number, copy| assert_in_delta Copies::Shingles.likeness(texts[0], texts[number]), copy.likeness, 0.04, "#{size} words" }
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
    assert_equal changed, Copies::MainText.of(["Ask us by letter", changed], boilerplate)
    assert_equal "Ask us by letter\nLamp 1", Copies::MainText.of(pages[1], boilerplate), "nothing but its template"
  end

  def test_frames_are_what_stands_outside_main_and_in_navigation
    html = "<header>Works<nav>Menu</nav></header><main><header>Lamp</header><p>Text</p><aside>More</aside></main><footer>Imprint</footer>After&#1;"
    page = IronTrellis::Core::Page::DocumentReading.new("<body>#{html}</body>", IronTrellis::Core::Url::NormalForm.parse("http://a.test/"))
    assert_equal ["Works\nMenu\nLamp\nText\nMore\nImprint\nAfter", %w[Lamp Text After]], [page.text, Copies::MainText.blocks(page.text, page.frames)]
  end
end

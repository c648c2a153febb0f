# frozen_string_literal: true

require_relative "../test_helper"

# Pages that speak of others and don't link to them; pages that speak of the same.
class MissingLinksTest < Minitest::Test
  Links = IronTrellis::Core::MissingLinks

  def page(id, text, links: [], authority: 0.1, **more) =
    Links::Page.new(
      id: id,
      url: "http://a.test/#{id}",
      title: "Page #{id}",
      language: "en",
      phrases: [],
      queries: [],
      link_texts: [],
      blocks: text.split("\n"),
      authority: authority,
      importance: 50,
      wanted: false,
      links: links.to_h { |one| [one, true] },
      **more
    )

  def test_who_speaks_of_a_page_in_whatever_form_and_does_not_link_is_found_with_its_words
    pages = [
      page(1, "How a wick is trimmed: straight, by day, with a cold lamp.", phrases: ["Trim a wick"], wanted: true),
      page(2, "A lamp wants oil. Those who trim the wicks by day sleep at night."),
      page(3, "Trim a wick and be done, said the lamp.", links: [1]),
      page(4, "A wick is a thing to trim, of a lamp."),
      page(5, "Brass is polished with wax.")
    ]
    found = Links::Finder.new(pages).call
    assert_equal [["http://a.test/2", "http://a.test/1", "trim the wicks"]],
      found.map { |one| [one.source.url, one.target.url, one.words] }
    assert_equal "Those who trim the wicks by day sleep at night.", found.first.sentence
  end

  def test_words_within_the_name_of_another_page_speak_of_that_one
    nine = page(9, "The solar beacon of nine lenses.", phrases: ["HB-9 solar beacon", "solar beacon"], wanted: true)
    twelve = page(12, "It wins prizes for solar light.", phrases: ["HB-12 solar beacon"])
    of_twelve = page(1, "The prize went to the HB-12 solar beacon.\nA HB-12 Solar Beacon shines on a lens.")
    of_both = page(2, "Not a HB-12 solar beacon but a plain solar beacon with a lens stands there.")
    of_nine = page(3, "Our HB-9 solar beacon has lenses.")
    pages = [nine, twelve, of_twelve, of_both, of_nine]

    found = Links::Finder.new(pages).call
    assert_equal [["http://a.test/2", "solar beacon"], ["http://a.test/3", "HB-9 solar beacon"]],
      found.map { |one| [one.source.url, one.words] }.sort
  end

  def test_words_that_are_a_link_already_can_carry_no_other
    target = page(1, "Trim it by day, said the lamp.", phrases: ["trim a wick"], wanted: true)
    linked = page(2, "See how to trim the wick of a lamp.", link_texts: ["to trim the wick"])
    twice = page(3, "See how to trim a wick. Trim a wick of a lamp.", link_texts: ["how to trim a wick"])

    assert_equal [[3, "Trim a wick of a lamp."]],
      Links::Finder.new([target, linked, twice]).call.map { |one| [one.source.id, one.sentence] }
  end

  def test_a_query_that_several_pages_are_called_tells_of_none_of_them_but_their_list_is_called_so
    rings = (1..5).map { |id| page(id, "Made of brass #{id}.", phrases: ["Lens ring #{id}"], queries: ["lens ring"]) }
    rings.first.wanted = true
    source = page(9, "Also of brass: a lens ring.")
    assert_empty Links::Finder.new([*rings, source]).call

    list = page(10, "Rings of brass.", phrases: ["Lens rings"], wanted: true)
    assert_equal [["http://a.test/10", "lens ring"]],
      Links::Finder.new([*rings, list, source]).call.select { |one| one.source.id == 9 }.map { |one|
        [one.target.url, one.words]
      }
    assert_equal ["http://a.test/1"], Links::Finder.new([*rings.first(4), source]).call.map { |one| one.target.url }
  end

  def test_pages_of_another_language_are_not_led_to_it
    target = page(1, "The lens of a lamp.", phrases: ["HB-12"], wanted: true, language: "en")
    others = {2 => "en-GB", 3 => "da", 4 => nil}.map { |id, tongue| page(id, "HB-12 lens lamp.", language: tongue) }

    assert_equal [2, 4], Links::Finder.new([target, *others]).call.map { |one| one.source.id }.sort
  end

  def test_a_page_gets_three_new_links_at_most
    names = %w[north south east west mid]
    targets = names.map { |name| page(name, "Lens #{name} of glass.", phrases: ["glass lens #{name}"], wanted: true) }
    source = page(9, names.map { |name| "A glass lens #{name} stands there." }.join("\n"))
    assert_equal 3, Links::Finder.new([*targets, source]).call.count { |one| one.source.id == 9 }
  end

  def test_a_word_that_many_say_is_no_phrase
    pages = (1..10).map { |id| page(id, "Brass lamps of the harbour, number #{id}.") }
    assert_empty Links::Finder.new([page(0, "All about brass.", phrases: ["Brass"], wanted: true), *pages]).call
  end

  def test_topics_gather_around_the_page_with_most_authority
    oil = (1..4).map { |id| page(id, "Oil lamps burn oil with a wick, trimmed each night.", authority: id) }
    oil[1].links[4] = true
    wax = (5..7).map { |id| page(id, "Wax for brass: bees and turpentine in a tin, #{id}.", authority: 0.1) }
    alone = page(8, "Tides at the quay.")
    pages = [*oil, *wax, alone]
    topics = Links::Topics.new(pages, Links::Finder.new(pages)).call
    assert_equal [[4, [1, 2, 3]], [5, [6, 7]]],
      topics.map { |one| [one.leader.id, one.members.map { |member, _| member.id }.sort] }
    assert_equal [1, 3], topics.first.unlinked.map(&:id).sort
    assert_includes topics.first.words, "oil"
  end

  # tf-idf by hand: three texts; "lamp" in all, idf 1; "oil" in two, idf ln(4/3)+1; "wick" in one, idf ln 2 + 1.
  def test_likeness_is_the_cosine_of_weighted_terms
    likeness = Links::Likeness.new({a: %w[lamp oil], b: %w[lamp oil wick], c: %w[lamp]})
    oil, wick = Math.log(4.0 / 3) + 1, Math.log(2) + 1
    expected = (1 + oil * oil) / (Math.sqrt(1 + oil * oil) * Math.sqrt(1 + oil * oil + wick * wick))
    assert_in_delta expected, likeness.of(:a, :b), 1e-9
    assert_in_delta expected, likeness.of_all(:a)[:b], 1e-9
    assert_in_delta 1 / Math.sqrt(1 + oil * oil), likeness.of(:c, :a), 1e-9
  end
end

# frozen_string_literal: true

require "open3"
require_relative "../test_helper"

# Structured data written from what a page says, read back by other parsers; and what schema.org knows.
class BuildingTest < Minitest::Test
  Data = IronTrellis::Core::StructuredData
  FACTS =
    Data::Building::Facts.new(
      url: "http://a.test/lamps/al-30",
      title: "AL-30 in brass | Skerry",
      h1: nil,
      description: "A lamp & its </script> lens",
      pictures: ["http://a.test/al-30.svg"],
      questions: [["How long does it burn?", "A night and half a day."]],
      trail: [["Skerry", "http://a.test/"], ["AL-30 in brass", "http://a.test/lamps/al-30"]],
      business: {"name" => "Skerry Lamp Works", "telephone" => "+44 1632 960031"}
    )

  def vocabulary = IronTrellis::Ports::Vocabularies.schema_org

  def test_each_kind_is_written_and_what_is_not_told_is_named
    built = Data::Building.new(FACTS, local: "Store")
    product = JSON.parse(built.json(%w[Product]))
    assert_equal ["https://schema.org", "Product", "AL-30 in brass"], product.values_at("@context", "@type", "name")
    assert_equal [%w[offers], %w[address openingHours], %w[datePublished author], []],
      %w[Product LocalBusiness Article FAQPage].map { |kind| built.lacking(kind) }
    graph = JSON.parse(built.json(Data::Building::KINDS.keys))["@graph"]
    assert_equal %w[Organization Store Product Article FAQPage BreadcrumbList], graph.map { |one| one["@type"] }
    assert_equal [1, 2], graph.last["itemListElement"].map { |one| one["position"] }
  end

  # Source: npm's jsonld-streaming-parser (JSON-LD 1.1).
  def test_another_parser_reads_the_same_facts
    json = Data::Building.new(FACTS).json(Data::Building::KINDS.keys)
    script = File.expand_path("../reference/structured_data.mjs", __dir__)
    out, = Open3.capture2("node", script, stdin_data: JSON.generate(syntax: "json-ld", text: json))
    theirs = JSON.parse(out)
    assert_includes theirs, "is FAQPage"
    assert_includes theirs, "text: A night and half a day."
    assert_includes theirs, "telephone: +44 1632 960031"
    items, problem = Data::JsonLd.read(json)
    assert_nil problem
    assert_empty items.flat_map { |item| vocabulary.unknown(item) }
  end

  def test_questions_are_headings_that_ask_with_what_stands_below
    outline = [[1, "Lamps"], [2, "How long does it burn?"], [2, "Oil"], [2, "Why brass?"]]
    lines = ["Lamps", "How long does it burn?", "A night.", "And a day.", "Oil", "Burns.", "Why brass?"]
    assert_equal [["How long does it burn?", "A night.\nAnd a day."]], Data::Building.questions(outline, lines)
  end

  # Source: the published vocabulary of schema.org.
  def test_the_vocabulary_knows_kinds_and_properties
    assert_equal %w[Bakery FoodEstablishment LocalBusiness Organization Thing Place], vocabulary.kinds_of("Bakery")
    assert_includes vocabulary.kinds_below("LocalBusiness"), "HardwareStore"
    assert_includes vocabulary.properties("Product"), "offers"
    refute_includes vocabulary.properties("Product"), "acceptedAnswer"
    item = Data::JsonLd.read('{"@context":"https://schema.org","@type":"Product","name":"x","wick":"flat"}').first.first
    assert_equal ["Product has no wick"], vocabulary.unknown(item)
  end
end

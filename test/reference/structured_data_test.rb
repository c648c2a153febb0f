# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Sources: npm's jsonld-streaming-parser, microdata-rdf-streaming-parser and rdfa-streaming-parser, on examples in the
# manner of schema.org's own (types, nested items, lists, references, values of attributes). Compared are the types and
# the literal values of all items.
class StructuredDataTest < Minitest::Test
  Core = IronTrellis::Core
  EXAMPLES = {
    "json-ld" => [
      <<~JSON, <<~JSON, <<~JSON, <<~JSON
        {"@context":"https://schema.org","@type":"Product","name":"MS-40",
        "offers":{"@type":"Offer","price":"640","priceCurrency":"EUR"},
        "image":["http://a.test/1.png","http://a.test/2.png"]}
      JSON
        {"@context":"https://schema.org","@graph":[{"@type":"Organization","name":"Skerry"},
        {"@type":["LocalBusiness","Store"],"telephone":"+44 1632 960031",
        "address":{"@type":"PostalAddress","streetAddress":"Inner Quay"}}]}
      JSON
        [{"@context":"https://schema.org","@type":"BreadcrumbList","itemListElement":[
        {"@type":"ListItem","position":"1","name":"Lamps"},{"@type":"ListItem","position":"2","name":"Anchor"}]}]
      JSON
        {"@context":"https://schema.org","@type":"Article","headline":{"@value":"Winter","@language":"en"},
        "author":{"@type":"Person","name":"Ines Rasten"},"keywords":[]}
      JSON
    ],
    "microdata" => [
      <<~HTML, <<~HTML, <<~HTML
        <div itemscope itemtype="https://schema.org/Product"><h1 itemprop="name">MS-40</h1>
        <div itemprop="offers" itemscope itemtype="https://schema.org/Offer"><span itemprop="price">640</span>
        <meta itemprop="priceCurrency" content="EUR"></div></div>
      HTML
        <section itemscope itemtype="https://schema.org/Event">
        <time itemprop="startDate" datetime="2026-06-12">Friday</time> <b itemprop="name">Harbour
        days</b><data itemprop="doorTime" value="10">ten</data>
        <span><i itemprop="description">Soup at one</i></span></section>
      HTML
        <p itemscope itemtype="https://schema.org/Person"><span itemprop="name givenName">Ines</span></p>
        <p itemscope itemtype="https://schema.org/Person"><span itemprop="name">Tomas</span></p>
      HTML
    ],
    "rdfa" => [
      <<~HTML, <<~HTML
        <div vocab="http://schema.org/" typeof="Product"><h1 property="name">MS-40</h1>
        <div property="offers" typeof="Offer"><span property="price">640</span>
        <meta property="priceCurrency" content="EUR"></div></div>
      HTML
        <p vocab="http://schema.org/" typeof="Person"><span property="name">Ines Rasten</span>,
        <span property="jobTitle">keeper</span></p>
      HTML
    ]
  }.freeze

  def test_types_and_values_are_those_of_the_other_parsers
    examples = EXAMPLES.flat_map { |syntax, texts| texts.map { |text| {syntax: syntax, text: text} } }
    theirs = Open3.capture2(
      "node", File.join(__dir__, "structured_data.mjs"),
      stdin_data: examples.map { |one| JSON.generate(one) }.join("\n")
    ).first.lines.map { |line| JSON.parse(line) }
    assert_equal examples.size, theirs.size

    examples.zip(theirs) { |example, expected| assert_equal expected, facts(read(example)), example[:text] }
    refute_empty theirs.flatten
  end

  private

  def read(example)
    return Core::StructuredData::JsonLd.read(example[:text]).first if example[:syntax] == "json-ld"

    page = "<!doctype html><body>#{example[:text]}</body>"
    Core::Page::DocumentReading.new(page, Core::Url::NormalForm.parse("http://a.test/")).data.items
  end

  def facts(items)
    items.flat_map(&:all).flat_map do |item|
      item.types.map { |type| "is #{type}" } + item.properties.flat_map { |name, values|
        values.grep(String).map { |value| "#{name}: #{value}" }
      }
    end.sort
  end
end

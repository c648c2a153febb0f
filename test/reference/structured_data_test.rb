# frozen_string_literal: true

require_relative "../test_helper"
require "open3"

# Sources: npm's jsonld-streaming-parser, microdata-rdf-streaming-parser and rdfa-streaming-parser, on examples of
# schema.org's own pages (written down from memory, see schema_org_examples.yml) and on others in their manner (types,
# nested items, lists, references, values of attributes). Compared are the types and the literal values of all items.
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

  # schema.org's own (see the file for where they come from), each told in three syntaxes.
  OF_SCHEMA_ORG = YAML.load_file(File.join(__dir__, "schema_org_examples.yml"))
  SYNTAXES = EXAMPLES.keys

  def test_types_and_values_are_those_of_the_other_parsers
    as_others_read(EXAMPLES.flat_map { |syntax, texts| texts.map { |text| {syntax: syntax, text: text} } })
  end

  def test_examples_of_schema_org_are_read_as_the_other_parsers_read_them
    as_others_read(OF_SCHEMA_ORG.flat_map { |one| SYNTAXES.map { |syntax| {syntax: syntax, text: one.fetch(syntax)} } })
  end

  # Addresses are resolved in documents and stay as they are in JSON; what a link leads to may have a type or none.
  def test_an_example_of_schema_org_tells_the_same_in_each_syntax
    OF_SCHEMA_ORG.each do |one|
      told = SYNTAXES.map { |syntax| facts(read(syntax: syntax, text: one.fetch(syntax))).grep_v(ADDRESS) }
      assert_equal [told.first], told.uniq, one["name"]
      assert_includes told.first, "is #{one["name"]}"
    end
  end

  def test_the_vocabulary_knows_all_that_examples_of_schema_org_name
    vocabulary = IronTrellis::Ports::Vocabularies.schema_org
    OF_SCHEMA_ORG.each do |one|
      read(syntax: "json-ld", text: one["json-ld"]).each { |item| assert_empty vocabulary.unknown(item), one["name"] }
    end
  end

  private

  ADDRESS = %r{\Ais WebPage\z|: (?:https?://|mailto:)|: \S+\.(?:html|jpg)\z}
  # Under which address a thing is known that is told as an item of its own isn't kept.
  OF_ITEM = %r{\Aitem: https?://}
  private_constant :ADDRESS, :OF_ITEM

  def as_others_read(examples)
    theirs = Open3.capture2(
      "node", File.join(__dir__, "structured_data.mjs"),
      stdin_data: examples.map { |one| JSON.generate(one) }.join("\n")
    ).first.lines.map { |line| JSON.parse(line) }
    assert_equal examples.size, theirs.size

    examples.zip(theirs) do |example, expected|
      told =
        [expected, facts(read(example))].map { |some| some.map { |fact| in_normal_form(fact) }.grep_v(OF_ITEM).sort }
      assert_equal(*told, example[:text])
    end
    refute_empty theirs.flatten
  end

  # URLs of documents are resolved into it, those in JSON aren't: http://a.test is http://a.test/.
  def in_normal_form(fact)
    name, value = fact.split(": ", 2)
    url = Core::Url::NormalForm.parse?(value.to_s) if value&.start_with?("http")
    url ? "#{name}: #{url}" : fact
  end

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

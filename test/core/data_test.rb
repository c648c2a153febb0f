# frozen_string_literal: true

require_relative "../test_helper"

# Structured data: what is read, what can't be, and what an item must tell.
class DataTest < Minitest::Test
  Core = IronTrellis::Core
  Data = Core::StructuredData

  def json_ld(text) = Data::JsonLd.read(text)

  def page(body, head: "") =
    Core::Page::DocumentReading.new(
      "<html><head>#{head}</head><body>#{body}</body></html>",
      Core::Url::NormalForm.parse("http://a.test/dir/")
    )

  def item(type, **properties) =
    Data::Item.new(
      syntax: "json-ld",
      types: [type],
      properties: properties.transform_keys(&:to_s).transform_values { |value| [value].flatten }
    )

  def test_a_reference_that_says_more_of_what_it_leads_to_is_an_address_and_a_thing
    list = '{"@type":"ListItem","item":{"@id":"http://a.test/d","name":"Dresses"},"next":{"@id":"http://a.test/e"}}'
    read = json_ld(list).first.first.properties

    assert_equal ["http://a.test/d", ["Dresses"], []],
      read["item"].then { |id, thing| [id, thing.properties["name"], thing.types] }
    assert_equal ["http://a.test/e"], read["next"]
  end

  # JSON-LD 1.1: one dataset a document (HTML content algorithms extract all scripts), keyword aliases (4.1.6), compact
  # IRIs (4.1.5), and node objects with one @id are one node (the flattening algorithm).
  def test_what_scripts_say_of_one_address_is_of_one_thing
    items, problems = Data::JsonLd.read_all(
      [
        '{"@context":"https://schema.org","@id":"#us","@type":"Organization","name":"Skerry"}',
        '{"@context":["https://schema.org",{"s":"https://schema.org/","kind":"@type","called":"s:alternateName"}],' \
          '"kind":"s:Article","id":"#a","s:headline":"Lit","called":"x","publisher":{"id":"#us","logo":"/l.png"}}',
        '{"@context":"https://schema.org","id":"http://a.test/dir/#us","telephone":"+44 1632 960031"}'
      ],
      Core::Url::Resolver.new(Core::Url::NormalForm.parse("http://a.test/dir/"))
    )
    assert_equal [nil, nil, nil], problems
    assert_equal [["Organization"], ["Article"]], items.map(&:types)
    assert_equal [["Skerry"], ["/l.png"], ["+44 1632 960031"]],
      items.first.properties.values_at("name", "logo", "telephone")
    assert_equal [["Lit"], ["x"], ["#us"]], items.last.properties.values_at("headline", "alternateName", "publisher")
  end

  # HTML standard, "microdata": itemref.
  def test_an_item_has_what_its_itemref_names
    read = page('<div itemscope itemtype="https://schema.org/Product" itemref="b a a none me" id=me>' \
      "<p id=in itemprop=name>Lamp</p></div><p id=a itemprop=gtin>1</p><div id=b><p itemprop=color>red</p></div>" \
      "<div itemscope itemref=loop><i id=loop itemprop=x itemscope itemref=loop></i></div>").data.items
    assert_equal({"name" => ["Lamp"], "color" => ["red"], "gtin" => ["1"]}, read.first.properties)
  end

  # The vocabulary that ships with the application says who does business.
  def test_all_kinds_of_organisations_are_known
    vocabulary = IronTrellis::Ports::Vocabularies.schema_org
    assert_equal ["Organization", *vocabulary.kinds_below("Organization")].sort, Data::Organisations::TYPES.keys.sort
    assert Data::Organisations.include?(item("NewsMediaOrganization"))
    refute Data::Organisations.include?(item("Product"))
  end

  # Common practice: without its rating a review is no rich result.
  def test_a_review_needs_its_rating
    assert_equal [%w[Review reviewRating]], Data::Requirements.lacking(item("Review", author: "x", reviewBody: "y"))
  end

  def test_things_that_speak_of_each_other_end
    items, = json_ld('{"@graph":[{"@id":"#a","@type":"Person","knows":{"@id":"#b"}},' \
      '{"@id":"#b","@type":"Person","knows":{"@id":"#a"},"parent":{"@id":"#c","@type":"Person","name":"C"}}]}')
    assert_equal [["#b"], ["#a"]], items.map { |one| one.properties["knows"] }
    assert_equal 3, items.flat_map(&:all).size
    assert_equal %w[1 2], json_ld('{"@type":"X","a":{"@list":["1",{"@value":2}]}}').first.first.properties["a"]
  end

  def test_what_is_no_json_says_so_in_words
    {
      "" => /empty/,
      "{" => /no JSON/,
      "{\"@type\":\"Product\",}" => /no JSON/,
      "[1, \"x\"]" => /nothing in it has a type/,
      "{\"name\":\"x\"}" => /nothing/,
      "[" * 60 + "]" * 60 => /deeper/
    }.each do |text, why|
      items, problem = json_ld(text)
      assert_empty items
      assert_match why, problem, text
    end
  end

  def test_values_are_texts_references_and_further_things
    items, problem =
      json_ld(
        '<!-- {"@type":"schema:Product","url":{"@id":"http://a.test/x"},' \
        '"name":[{"@value":"MS-40","@language":"en"},"Lamp"],"height":{"value":41,"unitCode":"CMT"},' \
        '"gtin":null,"offers":{}} -->'
      )
    assert_nil problem
    assert_equal ["Product"], items.first.types
    assert_equal [["http://a.test/x"], %w[MS-40 Lamp], [], []],
      items.first.properties.values_at("url", "name", "gtin", "offers")
    assert_equal [[], ["41"]], [
      items.first.properties["height"].first.types, items.first.properties["height"].first.properties["value"]
    ]
  end

  def test_items_survive_being_kept
    items, = json_ld(%({"@type":"Product","name":"x","offers":{"@type":"Offer","price":"1"}}))
    again = Data::Item.from(JSON.parse(JSON.generate(items.first.to_h)))
    assert_equal items.first, again
    assert_equal %w[Product Offer], again.all.flat_map(&:types)
  end

  def test_the_value_of_a_property_is_told_by_its_element
    html = <<~HTML
      <div itemscope itemtype="https://schema.org/Event"><a itemprop="url" href="../about">x</a>
      <img itemprop="image" src="i.png"><time itemprop="startDate" datetime="2026-06-12">Friday</time>
      <meter itemprop="score" value="7">seven</meter>
      <span itemprop="name">Harbour  <b>days</b></span><meta itemprop="lang" content=" en "></div>
    HTML
    properties = page(html).data.items.first.properties
    assert_equal ["http://a.test/about", "http://a.test/dir/i.png", "2026-06-12", "7", "Harbour days", "en"],
      properties.values_at("url", "image", "startDate", "score", "name", "lang").flatten
  end

  def test_properties_of_an_inner_item_are_its_own
    outer, =
      page(
        "<div itemscope itemtype=x:A><p itemprop=a>1</p><div itemprop=b itemscope itemtype=x:B><p " \
        "itemprop=a>2</p></div></div>"
      ).data.items
    assert_equal ["1"], outer.properties["a"]
    assert_equal ["2"], outer.properties["b"].first.properties["a"]
  end

  def test_hostile_markup_costs_little
    nested = "<div itemscope itemtype=x:A>#{"<div itemprop=p>" * 400}#{"word " * 20_000}#{"</div>" * 400}</div>"
    began = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
    texts = page(nested).data.items.first.properties["p"]
    assert_equal 400, texts.size
    assert_operator texts.sum(&:size), :<=, Data::MarkedUp::MOST_CHARACTERS + 200_000
    assert_operator Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - began, :<, 20
  end

  def test_an_empty_value_is_as_good_as_none
    assert_equal [["Offer", "price or priceSpecification"]],
      Data::Requirements.lacking(item("Offer", price: "", priceCurrency: "EUR"))
    assert_empty Data::Requirements.lacking(item("Offer", priceSpecification: item("PriceSpecification")))
    assert_empty Data::Requirements.lacking(item("Thing"))
    Data::Requirements::BY_TYPE.each do |type, needed|
      assert_equal needed.size, Data::Requirements.lacking(item(type)).size, type
    end
  end

  def test_a_business_is_known_by_its_name_but_for_signs_or_by_its_number
    facts = Data::BusinessFacts.new
    3.times do |number|
      facts.add(
        "http://a.test/#{number}",
        [item("LocalBusiness", name: "Skerry Lamps", telephone: "+44 1632 960031", address: "Inner Quay")]
      )
    end
    facts.add(
      "http://a.test/name",
      [item("Organization", name: "SKERRY lamps!", telephone: "+44 (1632) 960031", address: "Inner Quay")]
    )
    facts.add(
      "http://a.test/other",
      [item("LocalBusiness", name: "Port Hallam Chandlery", telephone: "+44 1632 960099")]
    )
    facts.add("http://a.test/product", [item("Product", name: "Skerry Lamps", telephone: "1")])

    assert_equal [
      ["http://a.test/name", "name", "SKERRY lamps!"]
    ],
      facts.odd.map { |odd| [odd.url, odd.fact, odd.writing] }
  end

  def test_telephone_numbers_are_told_from_dates_and_codes
    numbers = ->(line) { Data::ContactLines.numbers(line) }
    assert_equal ["+44 1632 960031"], numbers.call("Call us: +44 1632\u00A0960031.")
    assert_equal ["(01632) 960 031", "01632/960032"], numbers.call("(01632) 960 031 or 01632/960032, fax 01632 960033")
    assert_equal ["555-123-4567"], numbers.call("Phone 555-123-4567")
    [
      "555-123-4567",
      "01.02.2026",
      "2026-11-28 10:00",
      "ISBN 978-0-306-40615-7",
      "from 1990 to 2001",
      "v1.2.3.4.5.6.7",
      "EUR 1 200 000",
      "AB0163296003"
    ].each { |line| assert_empty numbers.call(line), line }
    assert_equal [%w[a b c], ["Tel. 01632 960031"]],
      Data::ContactLines
        .of(["x", "a", "b", "c", "Tel. 01632 960031"])
        .first
        .then { |lines| [lines.first(3), lines.last(1)] }
  end

  def test_facts_in_the_text_are_held_against_each_other_and_against_the_structured_data
    facts = Data::BusinessFacts.new
    3.times do |number|
      facts.add(
        "http://a.test/#{number}",
        [
          item(
            "LocalBusiness",
            name: "Skerry Lamps",
            telephone: "+44 1632 960031",
            address: item("PostalAddress", streetAddress: "4 Inner Quay", postalCode: "PH1 2AB")
          )
        ]
      )
    end
    texts = Data::FactsInText.new(facts.businesses)
    footer = ["Skerry Lamps", "4 Inner Quay", "Tel. 01632 960031"]
    4.times { |number| texts.add("http://a.test/#{number}", [footer]) }
    texts.add("http://a.test/spaced", [["Skerry Lamps", "Tel. 01632 96 00 31"]])
    texts.add("http://a.test/number", [["Skerry Lamps, Port Hallam", "01632 960055"]])
    texts.add("http://a.test/street", [["Skerry lamps", "14 Inner Quay, Port Hallam", "01632 960031"]])
    texts.add("http://a.test/shouted", [["SKERRY LAMPS", "Inner Quay", "01632 960031"]])
    texts.add("http://a.test/elsewhere", [["Port Hallam Chandlery", "01632 960099"]])

    assert_equal [
      ["number", "telephone", "01632 960055"],
      ["street", "address", "14 Inner Quay, Port Hallam"],
      ["street", "name", "Skerry lamps"]
    ],
      texts.odd.map { |odd| [odd.url.delete_prefix("http://a.test/"), odd.fact, odd.writing] }.sort
  end

  def test_languages_outside_the_head_and_without_a_host_are_marked
    marked =
      page(
        '<link rel="alternate" hreflang="da" href="/da">',
        head:
          '<link rel="alternate" hreflang="en" href="http://a.test/">' \
          '<link rel="alternate" hreflang="pt" href="//a.test/pt">'
      ).hreflang
    assert_equal [["en", nil, nil], ["pt", true, nil], ["da", true, true]],
      marked.map { |one| [one[:code], one[:relative], one[:misplaced]] }
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# What stands alone in a document is read by an extractor each; where the fact goes to follows from its being there.
class ExtractorsTest < Minitest::Test
  Page = IronTrellis::Core::Page

  def facts(head: "", body: "", html: "<html>") =
    Page::Reader.new(agent: "IronTrellis").call(
      url: IronTrellis::Core::Url::NormalForm.parse("http://a.test/dir/"),
      header_lines: ["Content-Type: text/html; charset=utf-8"],
      body: "#{html}<head>#{head}</head><body>#{body}</body></html>".b
    )

  def test_the_first_description_and_viewport_count_whatever_the_case_of_their_names
    read = facts(head: '<meta name="Description" content=" A  b "><meta name=description content=c>' \
                       '<meta name="Viewport" content="width=device-width "><meta name=viewport content=no>')

    assert_equal ["A b", "width=device-width"], [read.description, read.viewport]
  end

  def test_an_empty_description_is_there_and_an_empty_viewport_says_nothing
    read = facts(head: '<meta name=description content=" "><meta name=viewport content=" ">')

    assert_equal ["", nil], [read.description, read.viewport]
    assert_nil facts.description
    assert_equal "", facts(head: "<meta name=description>").description
  end

  def test_the_language_is_that_of_the_document_if_it_says_one
    assert_equal ["da", nil, nil],
      ['<html lang=" da ">', '<html lang=" ">', "<html><!-- lang=da -->"].map { |html| facts(html: html).lang }
  end

  def test_headings_come_in_the_order_of_the_document_with_their_levels
    read = facts(body: "<h1>A</h1><section><h3>C  c</h3></section><h2>B</h2>")

    assert_equal [[1, "A"], [3, "C c"], [2, "B"]], read.outline
    assert_equal Page::Extractors::Outline::MOST, facts(body: "<h2>x</h2>" * 1001).outline.size
  end

  def test_of_open_graph_the_first_of_each_property_counts_and_nothing_of_others
    read =
      facts(
        head:
          '<meta property="og:title" content=" T "><meta property="og:title" content="second">' \
          '<meta property="article:author" content="x"><meta property="og:image">'
      )

    assert_equal({"og:title" => "T", "og:image" => ""}, read.open_graph)
  end

  def test_a_password_is_asked_for_by_a_field_of_that_type_alone
    fields = ["<input type=password>", "<form><input type=PASSWORD></form>", "<input name=password>", ""]

    assert_equal [true, true, false, false], fields.map { |body| facts(body: body).password }
  end

  def test_lines_around_a_telephone_number_are_kept_and_those_of_pages_without_one_are_none
    assert_equal [["Skerry Lamps", "Tel. 01632 960031"]],
      facts(body: "<p>Skerry Lamps</p><p>Tel. 01632 960031</p>").contacts
    assert_empty facts(body: "<p>Skerry Lamps</p>").contacts
  end

  def test_what_is_extracted_is_stored_and_seen_by_rules_under_its_name
    names = Page::Registry.names

    assert_equal Dir[IronTrellis::ROOT.join("core/page/extractors/*.rb")].size, names.size
    assert_empty names - Page::Facts.members
    assert_empty names - IronTrellis::Core::Faults::Subject.members
    assert_empty names.map(&:to_s) - IronTrellis::Store::Pages::FactsRows::COLUMNS.fetch("page_facts")
  end

  def test_other_documents_have_none_of_it
    image =
      Page::Reader.new(agent: "IronTrellis").call(
        url: IronTrellis::Core::Url::NormalForm.parse("http://a.test/a.png"),
        header_lines: ["Content-Type: image/png"],
        body: "\x89PNG".b
      )

    assert_empty Page::Registry.names.reject { |name| image[name].nil? }
  end
end

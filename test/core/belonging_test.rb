# frozen_string_literal: true

require_relative "../test_helper"

# One predicate, in Ruby and in SQL: the same cases for both.
class BelongingTest < Minitest::Test
  include TestDatabase

  Page = Struct.new(:url, :kind, :status, :wanted, :indexable, :stop, :chosen_canonical, keyword_init: true)
  GOOD = {
    url: "http://a.test/x",
    kind: "html",
    status: 200,
    wanted: true,
    indexable: true,
    stop: nil,
    chosen_canonical: nil
  }.freeze
  TYPES = {
    url: "text",
    kind: "text",
    status: "integer",
    wanted: "boolean",
    indexable: "boolean",
    stop: "text",
    chosen_canonical: "text"
  }.freeze
  # What differs, and whether it belongs without and with PDFs.
  CASES = [
    [{}, true, true],
    [{stop: "indexed"}, true, true],
    [{chosen_canonical: "http://a.test/x"}, true, true],
    [{kind: "pdf"}, false, true],
    *[
      {kind: "style"},
      {kind: "script"},
      {kind: "image"},
      {kind: "other"},
      {kind: "external"},
      {kind: nil},
      {status: 301},
      {status: 204},
      {status: nil},
      {wanted: false},
      {indexable: false},
      {stop: "distinct"},
      {stop: "found"},
      {chosen_canonical: "http://a.test/y"}
    ].map { |change| [change, false, false] }
  ].freeze

  def test_ruby_and_sql_agree_case_by_case
    CASES.each do |change, without, with|
      page = Page.new(**GOOD, **change)
      assert_equal [without, with],
        [false, true].map { |pdfs|
          IronTrellis::Core::Sitemaps::Belonging.belongs?(page, pdfs: pdfs) || false
        },
        change.inspect
      assert_equal [without, with], [false, true].map { |pdfs| by_sql(page, pdfs) }, change.inspect
    end
  end

  private

  def by_sql(page, pdfs)
    columns =
      page.to_h.keys.each_with_index.map { |name, place| "$#{place + 1}::#{TYPES.fetch(name)} AS #{name}" }.join(", ")
    sql =
      "SELECT coalesce(#{IronTrellis::Store::Ledger::Scopes.belongs_in_sitemaps(pdfs: pdfs, of: "l.")}, false) AS " \
      "belongs FROM (SELECT #{columns}) l"
    IronTrellis::Store::Postgres::Sql.rows(sql, page.to_h.values).first["belongs"]
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Predicates of the job, in Ruby and in SQL: the same cases for both.
class PredicatesTest < Minitest::Test
  include TestDatabase

  Belonging = IronTrellis::Core::Sitemaps::Belonging
  Predicates = IronTrellis::Core::Ledger::Predicates
  Scopes = IronTrellis::Store::Ledger::Scopes
  Climbs = IronTrellis::Store::Ledger::Climbs
  Ladder = IronTrellis::Core::Ladder
  TYPES = IronTrellis::Core::Ledger::Registry.all.to_h { |column| [column.name.to_sym, column.type] }.freeze
  Row = Struct.new(*TYPES.keys, keyword_init: true)
  # A page that should be indexed and has nothing against it.
  GOOD = {
    url: "http://a.test/x",
    kind: "html",
    status: 200,
    wanted: true,
    indexable: true,
    words: 90,
    noindex: false,
    soft_missing: false,
    links_in: 1,
    in_sitemaps: [],
    found_by: [],
    climb: %w[found allowed answers direct open own distinct].map { |rung| {"rung" => rung, "state" => "pass"} }
  }.freeze
  RESOURCES = %w[style script image external].map { |kind| {kind: kind} }.freeze
  NOWHERE = {status: 301, redirect_to: "http://a.test/y"}.freeze

  def self.stops_at(*rungs)
    GOOD[:climb].map { |judged| rungs.include?(judged["rung"]) ? judged.merge("state" => "stop") : judged }
  end

  NOINDEX = {noindex: true, indexable: false, stop: "open"}.freeze
  # By predicate: in Ruby, in SQL, what a good page is, and what differs where it is the other way round.
  CASES = {
    "own_page" => [
      Predicates.method(:own_page?),
      Scopes.own_page(of: "l."),
      false,
      same: [{status: 404, importance: 3.0}, NOWHERE.merge(importance: 3.0), {kind: "image", importance: 3.0}],
      other: [{importance: 0.0}, {importance: 9.5, kind: "pdf"}, {importance: 1.0, status: 204}]
    ],
    "never_fetched" => [
      Predicates.method(:never_fetched?),
      Scopes.never_fetched(of: "l."),
      true,
      same: [{stop: "found"}, {kind: nil}, {status: nil}],
      other: [{stop: "allowed"}, {kind: "external"}, {fetched_at: Time.utc(2027, 1, 4)}]
    ],
    "belongs" => [
      Belonging.method(:belongs?),
      Scopes.belongs_in_sitemaps(pdfs: false, of: "l."),
      true,
      same: [{stop: "indexed"}, {chosen_canonical: "http://a.test/x"}],
      other: [
        *RESOURCES,
        {kind: "pdf"},
        {kind: "other"},
        {kind: nil},
        {status: 301},
        {status: 204},
        {status: nil},
        {wanted: false},
        {indexable: false},
        {stop: "distinct"},
        {stop: "found"},
        {chosen_canonical: "http://a.test/y"}
      ]
    ],
    "belongs with PDFs" => [
      ->(row) { Belonging.belongs?(row, pdfs: true) },
      Scopes.belongs_in_sitemaps(pdfs: true, of: "l."),
      true,
      same: [{kind: "pdf"}],
      other: [*RESOURCES, {kind: "pdf", status: 404}]
    ],
    "listable" => [
      Belonging.method(:listable?),
      Scopes.listable(of: "l."),
      true,
      same: [{stop: "indexed"}, {wanted: false}, NOINDEX.merge(climb: stops_at("open"))],
      other: [
        {kind: "pdf"},
        {status: 404},
        {copy_of: "http://a.test/y"},
        {soft_missing: true},
        {chosen_canonical: "http://a.test/y"},
        {indexable: false},
        {stop: "distinct"},
        NOINDEX.merge(climb: stops_at("open", "own"))
      ]
    ],
    "document" => [
      Predicates.method(:document?),
      Scopes.document(of: "l."),
      true,
      same: [{kind: nil}, {kind: "pdf"}, {kind: "other"}],
      other: RESOURCES
    ],
    "missing" => [
      Predicates.method(:missing?),
      Scopes.missing(of: "l."),
      false,
      same: [{status: 399}, {status: 500}, {status: nil}],
      other: [{status: 400}, {status: 404}, {status: 410}, {status: 499}]
    ],
    "broken" => [
      Predicates.method(:broken?),
      Scopes.broken(of: "l."),
      false,
      same: [{status: 301}, {status: nil}, {status: 200, error: "content-length"}],
      other: [{status: 404}, {status: 503}, {status: nil, error: "timeout"}]
    ],
    "lost" => [
      Predicates.method(:lost?),
      Scopes.lost(of: "l."),
      false,
      same: [
        {status: 410},
        {status: 503},
        {status: 404, links_in: 0},
        {status: 404, kind: "image"},
        NOWHERE.merge(final_url: "http://a.test/y", final_status: 200),
        NOWHERE.merge(final_url: "http://a.test/y", final_status: nil)
      ],
      other: [
        {status: 404},
        {status: 404, kind: nil, links_in: 0, in_sitemaps: ["http://a.test/sitemap.xml"]},
        {status: 404, links_in: nil, found_by: ["start"]},
        NOWHERE,
        NOWHERE.merge(final_url: "http://a.test/y", final_status: 404)
      ]
    ],
    "comparable" => [
      Predicates.method(:comparable?),
      Scopes.comparable(of: "l."),
      true,
      same: [{status: nil}],
      other: [{kind: "pdf"}, {indexable: false}, {soft_missing: true}, {words: 0}, {words: nil}]
    ]
  }.freeze

  CASES.each do |name, (ruby, sql, good, changes)|
    define_method(:"test_#{name.tr(" ", "_")}") do
      expected = [[{}, good], *changes[:same].map { |one| [one, good] }, *changes[:other].map { |one| [one, !good] }]
      expected.each do |change, answer|
        row = Row.new(**GOOD, **change)
        assert_equal [answer, answer], [ruby.call(row) || false, by_sql(row, sql)], change.inspect
      end
    end
  end

  def test_a_stop_that_is_known_later_counts_where_it_is_the_first
    found = {whole: true, start: true, robots_allowed: true, fetched: true, status: 200, kind: "html", words: 90}
    [{}, {noindex_where: "header"}, {words: 3}].each do |change|
      evidence = Ladder::Evidence.new(**found, word_floor: 50, canonical_state: "none", **change)
      climb = Ladder::Climb.new(evidence)
      stored = climb.judgements.map { |rung, judged| {rung: rung, state: judged.state, reason: judged.reason} }
      by_sql = with_a_copy(stored, climb.stop)
      climb.stop_at("distinct", Ladder::Judgement.stop("copy of it"))
      judged = climb.judgements.map { |rung, one| [rung, one.state.to_s, one.reason] }

      assert_equal [climb.stop, judged], by_sql, change.inspect
    end
  end

  private

  def by_sql(row, sql)
    values = row.to_h.compact
    columns = TYPES.map { |name, type| "#{value(values[name])}::#{type} AS \"#{name}\"" }.join(", ")
    rows("SELECT coalesce(#{sql}, false) AS it FROM (SELECT #{columns}) l").first["it"]
  end

  def value(value)
    case value
    when nil then "NULL"
    when Array then quoted(value.first.is_a?(Hash) ? JSON.generate(value) : "{#{value.join(",")}}")
    else quoted(value.to_s)
    end
  end

  def quoted(text) = "'#{text.gsub("'", "''")}'"

  def with_a_copy(stored, stop)
    passes = Climbs.passes("s.climb", "distinct")
    row = rows(<<~SQL, [JSON.generate(stored), stop]).first
      SELECT CASE WHEN #{passes} AND #{Climbs.first?("s.stop", "distinct")} THEN 'distinct' ELSE s.stop END AS stop,
        CASE WHEN #{passes} THEN #{Climbs.stopped_at("s.climb", "distinct", "'copy of it'")} ELSE s.climb END AS climb
      FROM (SELECT $1::jsonb AS climb, $2::text AS stop) s
    SQL
    [row["stop"], row["climb"].map { |judged| judged.values_at("rung", "state", "reason") }]
  end

  def rows(sql, values = []) = IronTrellis::Store::Postgres::Sql.rows(sql, values)
end

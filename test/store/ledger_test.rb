# frozen_string_literal: true

require_relative "../test_helper"

class LedgerTest < Minitest::Test
  include TestDatabase

  Store = IronTrellis::Store

  def setup
    super
    @run = self.class.run_of_ten
  end

  # Ten made rows: url n, words n * 10, but none for every third.
  def self.run_of_ten = @run_of_ten ||= run_of(10)

  def self.run_of(rows)
    settings = IronTrellis::Core::Settings::Crawl.new("start_urls" => ["http://ledger.test/"])
    crawl =
      Store::Crawling::Crawl.begin(
        Store::Sites::Site.register(name: "ledger #{SecureRandom.hex(6)}", settings: settings),
        now: Time.now
      )
    run = Store::Judging::VerdictRun.begin(crawl, rules_digest: "x", now: Time.now)
    writer = Store::Judging::VerdictWriter.new(run)
    nothing = IronTrellis::Core::Ledger::Registry.staged.to_h { |name| [name, nil] }
    writer.stage_rows((0...rows).map { |number| nothing.merge(row(number)) })
    writer.staged
    writer.faults([])
    writer.finish(Time.now) { {} }
    run
  end

  def self.row(number)
    {
      "url_id" => number - 5,
      "url" => "http://ledger.test/#{number}",
      "kind" => "html",
      "status" => number.even? ? 200 : 404,
      "words" => (number % 3).zero? ? nil : number * 10,
      "found_by" => number.even? ? %w[link sitemap] : [],
      "redirect_chain" => [],
      "in_sitemaps" => [],
      "links_in" => number / 2,
      "group" => "/g/",
      "intent" => "undecided",
      "importance" => (number == 4) ? nil : number / 4 + 0.5,
      "title" => "100%_#{number}",
      "wanted" => number.even?,
      "indexable" => true,
      "soft_missing" => false,
      "dropped" => false,
      "stop" => number.even? ? nil : "answers",
      "climb" => []
    }
  end

  def test_a_large_ledger_has_an_index_for_each_order
    orders = Store::Ledger::Fields.indexed.map { |column| "by_#{column}" }
    assert_operator orders.size, :>, 5
    assert_empty orders - indexes(self.class.run_of(Store::Judging::VerdictWriter::LEAST_INDEXED))
    assert_empty orders & indexes(@run)
  end

  def indexes(run) =
    Store::Postgres::Sql
      .run("SELECT indexname FROM pg_indexes WHERE tablename = $1", ["ledger_rows_#{run.id}"])
      .column_values(0)
      .map { |name| name.delete_prefix("ledger_rows_#{run.id}_") }

  def where(tree) = Store::Ledger::Conditions.new(tree)

  def found(tree, sort: "url") =
    Store::Ledger::Page.new(@run, conditions: where(tree), sort: sort).call[:rows].map do |row|
      row["url"][/\d+\z/].to_i
    end

  def one(field, op, value = nil) = {"field" => field, "op" => op, "value" => value}

  def test_every_question_finds_what_it_should
    assert_equal [0, 3, 6, 9], found(one("words", "empty"))
    assert_equal [5, 7, 8], found(one("words", "at_least", 50))
    assert_equal [1, 2], found(one("words", "below", 40))
    assert_equal [1, 3, 5, 7, 9], found(one("stop", "is", "answers"))
    assert_equal [0, 2, 4, 6, 8], found(one("stop", "is_not", "answers"))
    assert_equal [0, 2, 4, 6, 8], found(one("found_by", "has", "sitemap"))
    assert_equal [1, 3, 5, 7, 9], found(one("found_by", "empty"))
    assert_equal [0, 2, 4, 6, 8], found(one("wanted", "is", true))
    assert_equal [7], found(one("url", "ends", "/7"))
    assert_equal [4], found(one("title", "is", "100%_4"))
    assert_equal [1, 3, 5, 7, 9], found(one("stop", "one_of", %w[answers open]))
  end

  def test_signs_of_patterns_are_plain_text
    assert_equal (0..9).to_a, found(one("title", "contains", "0%_"))
    assert_empty found(one("title", "contains", "1%4"))
  end

  def test_groups_of_conditions_are_joined_by_and_and_or
    tree = {"all" => [one("wanted", "is", true), {"any" => [one("words", "below", 30), one("words", "at_least", 80)]}]}

    assert_equal [2, 8], found(tree)
    assert_equal (0..9).to_a, found({"all" => []})
  end

  def test_what_was_given_never_becomes_sql
    assert_empty found(one("url", "is", "' OR true --"))
    [
      one("url; DROP TABLE x", "is", "y"),
      one("url", "is = '' OR", "y"),
      one("words", "below", "1 OR 1=1"),
      {"all" => "x"},
      one("wanted", "is", "true")
    ].each { |tree| assert_raises(IronTrellis::Core::Error::InvalidInput) { where(tree) } }
  end

  def test_pages_go_on_from_the_last_key_in_every_order_with_empty_values_last
    Store::Ledger::Fields.names.flat_map { |column| [column, "-#{column}"] }.each do |sort|
      whole = found(nil, sort: sort)
      pieces = []
      after = nil
      loop do
        page = Store::Ledger::Page.new(@run, conditions: where(nil), sort: sort, after: after, limit: 3).call
        pieces.concat(page[:rows].map { |row| row["url"][/\d+\z/].to_i })
        break unless (after = page[:next])
      end
      assert_equal whole, pieces, sort
      assert_equal whole,
        Store::Ledger::Rows
          .new(@run, conditions: where(nil), sort: sort, columns: %w[url])
          .map { |(url)| url[/\d+\z/].to_i },
        "as a file"
      assert_equal 10, pieces.uniq.size
    end
    assert_equal [8, 7, 5, 4, 2, 1], found(nil, sort: "-words").first(6)
  end

  def test_a_cursor_that_is_none_and_a_column_that_is_none_are_refused
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      Store::Ledger::Page.new(@run, conditions: where(nil), after: "nonsense")
    end
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      Store::Ledger::Page.new(@run, conditions: where(nil), sort: "title;")
    end
  end

  def test_an_order_that_takes_too_long_is_refused_with_what_to_do
    order = Store::Ledger::Order.new("h1")
    error = assert_raises(IronTrellis::Core::Error::TooMuch) { order.bounded { raise Store::Postgres::Sql::Late } }

    assert_match(/Narrow the ledger/, error.message)
    assert_raises(Store::Postgres::Sql::Late) do
      Store::Postgres::Sql.bounded(1) { Store::Postgres::Sql.run("SELECT pg_sleep(60)") }
    end
    assert_equal 1, Store::Postgres::Sql.bounded(1) { Store::Postgres::Sql.run("SELECT 1").getvalue(0, 0).to_i }
  end

  def test_totals_count_what_is_shown
    totals = Store::Ledger::Totals.of(@run, where(one("wanted", "is", true)))

    assert_equal [5, 10, 5, 5, 0, 40],
      totals.values_at("urls", "of", "wanted", "indexable", "with_faults", "median_words")
  end

  def test_rows_are_counted_by_the_values_of_a_column
    gathered = ->(column, tree = nil) do
      Store::Ledger::Gathered
        .new(@run, column, conditions: where(tree))
        .call
        .then { |all| all[:rows].map { |row| row.values_at("value", "urls", "wanted") } }
    end

    assert_equal [[200, 5, 5], [404, 5, 0]], gathered.call("status")
    assert_equal [[nil, 5, 0], ["link", 5, 5], ["sitemap", 5, 5]],
      gathered.call("found_by").sort_by(&:inspect).rotate(-1)
    assert_equal [[false, 3, 0], [true, 2, 2]], gathered.call("wanted", one("importance", "at_least", 1.5))
    assert_equal [%w[status urls wanted indexable with_faults importance], [200, 5, 5]],
      Store::Ledger::Gathered
        .new(@run, "status", conditions: where(nil))
        .then { |table| [table.columns, table.first.first(3)] }
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      Store::Ledger::Gathered.new(@run, "wind", conditions: where(nil))
    end
  end

  def test_two_urls_with_one_id_fail_loudly
    site = @run.crawl.site_id
    Store::Crawling::Urls.add(site, {77 => "http://ledger.test/a"}, Time.now)
    Store::Crawling::Urls.add(site, {77 => "http://ledger.test/a"}, Time.now)

    assert_raises(Store::Crawling::Urls::Collision) do
      Store::Crawling::Urls.add(site, {77 => "http://ledger.test/b"}, Time.now)
    end
  end

  def test_migrations_can_be_taken_back_and_made_again
    name = "iron_trellis_migrations"
    base = Store::Postgres::Database.url
    environment = {"TRELLIS_ENV" => "test", "DATABASE_URL" => base.sub(%r{/[^/]+\z}, "/#{name}")}
    script =
      'require "bundler/setup"; require "./iron_trellis"; d = IronTrellis::Store::Postgres::Database; ' \
        "d.drop; d.prepare; " \
        "c = ActiveRecord::MigrationContext.new(d::MIGRATIONS); c.down(0); left = " \
        "ActiveRecord::Base.connection.tables; c.migrate; d.drop; puts left.sort.inspect"
    out, err, status = Open3.capture3(environment, "ruby", "-e", script, chdir: IronTrellis::ROOT.to_s)

    assert status.success?, err
    assert_equal %w[ar_internal_metadata schema_migrations].inspect, out.strip
  end

  def test_the_table_has_the_columns_that_are_declared
    held = Store::Postgres::Sql.run(
      "SELECT attname, format_type(atttypid, NULL) FROM pg_attribute " \
      "WHERE attrelid = 'ledger_rows'::regclass AND attnum > 0 AND NOT attisdropped"
    )

    assert_equal held.values.to_h.except("run_id"),
      IronTrellis::Core::Ledger::Registry.all.to_h { |column| [column.name, column.type] }
  end
end

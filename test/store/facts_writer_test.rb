# frozen_string_literal: true

require_relative "../test_helper"

class FactsWriterTest < Minitest::Test
  include TestDatabase
  include PlainCrawl

  Core = IronTrellis::Core

  Store = IronTrellis::Store
  Fetch = IronTrellis::Fetch
  Sql = Store::Postgres::Sql
  TOKEN = 11

  def setup
    super
    @crawl = plain_crawl
    @hosts = Store::Crawling::Hosts.new(@crawl)
    @writer =
      Store::Pages::FactsWriter.new(
        @crawl,
        slot: 0,
        hosts: @hosts,
        discovery: Core::Crawling::Discovery.new(@crawl.crawl_settings),
        now: -> { Time.now }
      )
    @crawl.frontier.add(entries(@crawl, "a", "b"))
  end

  def lease(count = 1) = @crawl.leases.lease(0, TOKEN, counts: {host_of(@crawl) => count}, limit: 100)

  def outcome(item, html, status: 200)
    lines = ["Content-Type: text/html; charset=utf-8"]
    answer =
      Core::Crawling::Answer.new(status: status, header_lines: lines, body: html.b, first_byte_ms: 3, response_ms: 5)
    Core::Crawling::Outcome.new(
      item: item,
      answer: answer,
      facts: IronTrellis::Core::Page::Reader.new(agent: "x").call(url: item.parts, header_lines: lines, body: html.b)
    )
  end

  def rows(table, columns) = Sql.rows("SELECT #{columns} FROM #{table}_#{@crawl.id} ORDER BY 1")

  def states =
    rows("frontier", "url, state").to_h do |row|
      [row["url"][%r{[^/]*\z}], Store::Crawling::Frontier::STATES.key(row["state"])]
    end

  def test_facts_links_text_and_answer_are_stored_and_the_lease_is_closed
    @writer.write(
      [
        outcome(
          lease.first,
          "<title>T</title><body><p>One two</p><a href=/b rel=nofollow>B</a><a href=http://x.test/>X</a>"
        )
      ],
      TOKEN
    )

    assert_equal [["T"], 3, 200], rows("page_facts", "titles, words, status").first.values
    assert_equal [["http://store.test/b", false, true], ["http://x.test/", true, false]],
      Sql.rows(
        "SELECT u.url, k.followed, k.internal FROM links_#{@crawl.id} k JOIN urls u ON u.id = k.target_id ORDER BY " \
        "k.position"
      ).map(&:values)
    assert_equal "One two\nBX", rows("page_blocks", "texts").first["texts"]
    assert_equal "Content-Type: text/html; charset=utf-8", rows("raw_answers", "header_lines").first["header_lines"]
    assert_equal :done, states["a"]
    assert_equal 1, Store::Crawling::Counters.sums(@crawl.id)["fetched"]
  end

  def test_new_urls_wait_at_their_depth_and_each_is_there_once
    @writer.write(
      [
        outcome(
          lease.first,
          "<a href=/new>1</a><a href=/new>2</a><a href=/hidden rel=nofollow>3</a><a href=/hidden>4</a><a href=/shy " \
          "rel=nofollow>5</a>"
        )
      ],
      TOKEN
    )
    found =
      rows("frontier", "url, depth, state, reason")
        .reject { |row| row["url"].end_with?("/a", "/b") }
        .map { |row| [row["url"][%r{[^/]*\z}], row["depth"], Store::Crawling::Frontier::STATES.key(row["state"])] }

    assert_equal [["hidden", 2, :waiting], ["new", 2, :waiting], ["shy", 2, :skipped]], found
  end

  # What a worker fetched whose lease was taken over must leave nothing behind: another fetches it.
  def test_a_lost_lease_leaves_no_facts
    item = lease.first
    @crawl.leases.release(0)
    assert_raises(Store::Crawling::Leases::Lost) { @writer.write([outcome(item, "<title>T</title>")], TOKEN) }

    assert_empty rows("page_facts", "url_id")
    assert_empty rows("links", "source_id")
    assert_equal 0, Store::Crawling::Counters.sums(@crawl.id)["fetched"]
  end

  def test_a_nul_that_slipped_through_is_left_out_and_nothing_is_lost
    one = outcome(lease.first, "<title>T</title><p>text")
    one.facts.titles = ["a\0b"]
    one.facts.h1 = ["\0"]
    @writer.write([one], TOKEN)

    assert_equal [["ab"], [""]], rows("page_facts", "titles, h1").first.values
    assert_equal :done, states["a"]
  end

  def test_links_beyond_reason_are_cut
    one = outcome(lease.first, "<p>x")
    one.facts.links =
      Array.new(Store::Pages::FactsRows::MOST_LINKS + 10) do |number|
        IronTrellis::Core::Page::Link.new("http://x.test/#{number % 5}", "anchor", nil, nil, nil, true)
      end
    @writer.write([one], TOKEN)

    assert_equal Store::Pages::FactsRows::MOST_LINKS,
      Sql.run("SELECT count(*) FROM links_#{@crawl.id}").getvalue(0, 0).to_i
  end

  def test_what_is_put_off_is_counted_and_taken_off_the_limit
    items = lease(2)
    @writer.put_off([outcome(items.first, "", status: 503)], TOKEN, Time.now + 9)

    assert_equal [1, 1], [Store::Crawling::Counters.sums(@crawl.id)["retried"], @crawl.reload.taken]
    assert_equal :deferred, states["a"]
  end
end

# frozen_string_literal: true

require_relative "../test_helper"

# Sites and crawls taken away, brought back, and gone after a day.
class RemovalTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Store = IronTrellis::Store

  def setup
    super
    @crawl = crawl_here(SmallSite.new("/" => "<html><title>Home</title>Home"))
    @crawl.update!(state: Store::Crawling::Crawl::FINISHED)
    @site = @crawl.site
  end

  def tables(crawl) =
    Store::Postgres::Sql
      .run(
        "SELECT count(*) FROM pg_class WHERE relname = ANY($1::text[])",
        [Store::Postgres::Sql.array(%w[links page_facts].map { |name| "#{name}_#{crawl.id}" })]
      )
      .getvalue(0, 0)
      .to_i

  # As the job does a day later.
  def a_day_later(**what) = Work::Jobs::Remove.run(**what)

  def test_a_crawl_is_hidden_can_be_brought_back_and_is_dropped_after_a_day
    Work::Sites::Removal.take_crawl(@crawl, by: "Test", now: Time.now)
    first = @crawl.removed_at
    assert_raises(IronTrellis::Core::Error::NotFound) { Store::Crawling::Crawl.fetch(@crawl.id) }
    assert_nil @site.reload.newest_crawl
    assert_equal 1, Work::Sites::Removal.bring_crawl_back(@crawl.id).number
    a_day_later(crawl_id: @crawl.id, removed_at: first.iso8601(6))
    assert_equal 2, tables(@crawl), "it was brought back"

    Work::Sites::Removal.take_crawl(@crawl.reload, by: "Test", now: Time.now)
    a_day_later(crawl_id: @crawl.id, removed_at: @crawl.removed_at.iso8601(6))
    assert_equal 0, tables(@crawl)
    assert_raises(IronTrellis::Core::Error::NotFound) { Work::Sites::Removal.bring_crawl_back(@crawl.id) }
  end

  def test_numbers_of_crawls_are_not_given_again
    Work::Sites::Removal.take_crawl(@crawl, by: "Test", now: Time.now)
    assert_equal 2, Store::Crawling::Crawl.begin(@site, now: Time.now).number
  end

  def test_a_site_goes_with_all_that_hangs_on_it_and_comes_back_with_it
    @site.decisions.decide("group", {"/" => {"intent" => "index"}}, by: "Test", now: Time.now)
    Work::Sites::Removal.take_site(@site, by: "Test", now: Time.now)
    assert_nil Store::Sites::Site.find_by(name: @site.name)
    namesake = Store::Sites::Site.register(name: @site.name, settings: @site.crawl_settings)
    assert_match(
      /another name/,
      assert_raises(IronTrellis::Core::Error::Conflict) { Work::Sites::Removal.bring_site_back(@site.id) }.message
    )
    assert_raises(IronTrellis::Core::Error::NotFound) { Store::Crawling::Crawl.fetch(@crawl.id) }
    namesake.rename("#{@site.name} anew")
    assert_equal @crawl, Work::Sites::Removal.bring_site_back(@site.id).newest_crawl

    Work::Sites::Removal.take_site(@site.reload, by: "Test", now: Time.now)
    a_day_later(site_id: @site.id, removed_at: @site.removed_at.iso8601(6))
    assert_equal [0, 0, 0],
      [
        tables(@crawl),
        *%w[decisions urls].map { |table|
          Store::Postgres::Sql
            .run("SELECT count(*) FROM #{table} WHERE site_id = $1", [@site.id])
            .getvalue(0, 0)
            .to_i
        }
      ]
  end

  def test_what_is_crawled_now_stays
    running = Store::Crawling::Crawl.begin(@site, now: Time.now)
    assert_match(
      /Stop it first/,
      assert_raises(IronTrellis::Core::Error::Conflict) do
        Work::Sites::Removal.take_site(@site, by: "Test", now: Time.now)
      end.message
    )
    assert_raises(IronTrellis::Core::Error::Conflict) do
      Work::Sites::Removal.take_crawl(running, by: "Test", now: Time.now)
    end
    assert Store::Sites::Site.find_by(name: @site.name), "and nothing of it went"
  end
end

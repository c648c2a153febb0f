# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/keepers"
require_relative "../support/small_site"

# The keepers of the site stand-in do what fixes say, and what they did is proved.
class ApplyingTest < Minitest::Test
  include TestDatabase
  include CrawlHere

  Work = IronTrellis::Work
  Store = IronTrellis::Store
  WWW = "www.skerrylamps.example"
  HOSTS = [WWW, "www.skerrylamper.example", "skerrylamps.example"].freeze
  # Of these the texts say all that is to be done.
  WHOLE = %w[robots].freeze

  def setup
    super
    @keepers = Keepers.new
    settings = {
      "start_urls" => ["http://#{WWW}/"],
      "hosts" => HOSTS.drop(1),
      "rate" => 0,
      "resolve" => HOSTS.to_h { |host| ["#{host}:80", "127.0.0.1:#{@keepers.server.port}"] }
    }
    @site =
      Store::Sites::Site.register(
        name: "kept #{SecureRandom.hex(6)}",
        settings: IronTrellis::Core::Settings::Crawl.new(settings)
      )
    crawl_here(nil, site: @site).update_columns(state: "finished", fetching_ended_at: Time.now, finished_at: Time.now)
    Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
  end

  def teardown
    @site&.drop
    super
  end

  def test_what_a_fix_says_is_done_and_proved
    fixes =
      Store::Workplan::Fix
        .of(@site)
        .where(kind: WHOLE + %w[canonicals redirects directives], template: false)
        .where.not(cause: "decide")
        .order(:number)
        .to_a
    assert_operator fixes.map(&:kind).uniq.size, :>=, 3
    fixes.each { |fix| Work::Workplan::Applying.new(@site).call(Work::Workplan::Listing.new(@site).one(fix)["text"]) }
    told = Work::Proofs::Proving.new(@site, clock: -> { Time.now }).call(fixes)
    told
      .zip(fixes)
      .each do |one, fix|
        next assert_equal([], one["unmet"], fix.title) if WHOLE.include?(fix.kind)

        assert_operator one["met"], :>=, one["checked"] / 2, "#{fix.title}: #{one["unmet"]}"
      end
    assert_includes told.map { |one| one["state"] }, "proved"
    assert_operator told.sum { |one| one["met"] }, :>=, 0.8 * told.sum { |one| one["checked"] }
  end

  # What the rules find by SQL in a crawl and what they find by fetching is the same, fault by fault.
  def test_nothing_that_was_found_is_met_before_it_is_mended
    fixes = Store::Workplan::Fix.of(@site).order(:number).to_a
    Work::Proofs::Proving.new(@site, clock: -> { Time.now }).call(fixes)
    found = fixes.flat_map { |fix| fix.reload.proof["conditions"] }
    told, untold = found.partition { |one| !one["met"].nil? }
    assert_empty told.select { |one| one["met"] }.map { |one| one.values_at("code", "url", "about", "found") }
    links = IronTrellis::Core::Faults::LinkRule.all.map(&:code)
    assert_operator (told.map { |one| one["code"] }.uniq & links).size, :>, 12
    assert_operator told.size, :>, untold.size / 2
  end

  def test_other_sites_are_never_changed
    @site.update!(settings: @site.settings.merge("resolve" => {"#{WWW}:80" => "127.0.0.1:1"}))
    assert_nil Work::Workplan::Applying.client(@site.reload)
    error = assert_raises(IronTrellis::Core::Error::Conflict) { Work::Workplan::Applying.new(@site) }
    assert_match(/isn't the stand-in/, error.message)
    real = IronTrellis::Core::Settings::Crawl.new({"start_urls" => ["http://shop.test/"]})
    @site.update!(settings: real.to_h)
    assert_nil Work::Workplan::Applying.client(@site.reload)
  end
end

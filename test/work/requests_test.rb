# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/database"
require_relative "../support/site_server"
require_relative "../support/faults_told"
require_relative "../support/evidence_site"

# Pages that indexes are to fetch again, within their quota, and what became of it.
class RequestsTest < Minitest::Test
  include TestDatabase
  include EvidenceSite
  include FaultsTold

  Work = IronTrellis::Work::Requests
  Request = Store::Requests::FetchRequest
  SMALL = "http://small.example"

  # An index that takes so many requests a day.
  class Interface
    attr_reader :asked, :hidden

    def initialize(most)
      @most = most
      @asked = []
      @hidden = {}
    end

    def request(url)
      raise IronTrellis::Ports::Indexes::Refused.new("The quota is used up.") if @asked.size >= @most

      @asked << url
    end

    def hide(url, only_copy: false) =
      @hidden[url] = {"url" => url, "asked_on" => "2026-11-28", "ends_on" => "2027-02-26", "only_copy" => only_copy}

    def unhide(url) = @hidden.delete(url)

    def hides = yield(@hidden.values)
  end

  def setup
    super
    links = (1..6).map { |number| "<a href=/#{number}>#{number}</a>" }.join
    pages = (1..6).to_h { |number| ["/#{number}", page("Page #{number}", "<a href=/>home</a>")] }
    pages["/1"] = page("Page 1", "<a href=/>home</a>", head: "<meta name=robots content='follow, nofollow'>")
    crawled({"/" => page("Home", links), **pages})
    @index =
      Store::Evidence::Index.create!(site: @site, name: "one", created_at: NOW, quota: 3, address: "http://x.test")
  end

  def test_what_matters_most_is_asked_for_first_within_the_quota
    assert_equal 7, queue.add(["#{SMALL}/"], linked: true, by: "Ada")
    assert_equal 0, queue.add(["#{SMALL}/1"], linked: false, by: "Ada"), "it waits already"
    days = queue.days(@index)
    assert_equal "#{SMALL}/", days.first.first.url, "the home page matters most"
    assert_equal [3, 3, 1], days.map(&:last).tally.values
    interface = Interface.new(2)
    assert_equal({asked: 2, refused: 1, skipped: 0}, queue.ask(@index, interface: interface))
    assert_equal "#{SMALL}/", interface.asked.first
    assert_equal [2, 4], [Request.used(@index, NOW.to_date), Request.waiting(@index).count]
    assert_equal "The quota is used up.", Request.find_by(state: "refused", site_id: @site.id).reason
    assert_equal 1, queue.ask(@index, interface: Interface.new(9))[:asked], "two of three were used today"
    tomorrow = Work::Queue.new(@site, now: NOW + 86_400)
    assert_equal 3, tomorrow.ask(@index, interface: Interface.new(9))[:asked]
  end

  def test_what_the_index_fetched_by_itself_is_passed_over_and_outcomes_are_followed
    queue.add(["#{SMALL}/1", "#{SMALL}/2"], linked: false, by: "Ada")
    queue.ask(@index, interface: Interface.new(1))
    @index.update!(quota: 9)
    asked = Request.find_by(state: "asked", site_id: @site.id)
    Request.where(state: "refused", site_id: @site.id).update_all(state: "waiting", reason: nil)
    lines = "url,standing,last_fetched\n#{SMALL}/1,in_index,2026-11-30\n#{SMALL}/2,passed_over,2026-11-30\n"
    import("standings", lines, index: "one", date: Date.new(2026, 12, 1), now: NOW + 3 * 86_400)
    later = Work::Queue.new(@site, now: NOW + 3 * 86_400)
    assert_equal({asked: 0, refused: 0, skipped: 1}, later.ask(@index, interface: Interface.new(9)))
    told = Work::Overview.new(@site, now: NOW + 3 * 86_400).call[:past].to_h { |one| [one[:state], one] }
    assert_equal [asked.url, "2026-11-30", 2], told["asked"].values_at(:url, :fetched_on, :days)
    assert_equal "the index came by itself", told["skipped"][:reason]
  end

  def test_a_list_is_ticked_where_an_index_has_no_interface
    @index.update!(address: nil)
    queue.add(["#{SMALL}/1", "#{SMALL}/2"], linked: false, by: "Ada")
    first, other = Request.where(site_id: @site.id).order(:url).to_a
    queue.tick([first.id], "asked")
    queue.tick([other.id], "skipped")
    assert_equal %w[asked skipped], [first, other].map { |one| one.reload.state }
  end

  def test_pages_of_other_hosts_than_the_index_covers_are_not_asked_for
    @index.update!(hosts: ["other.example"])
    assert_equal 0, queue.add(["#{SMALL}/1"], linked: false, by: "Ada")
    assert_raises(IronTrellis::Core::Url::NormalForm::Malformed) { queue.add(["nowhere"], linked: false, by: "Ada") }
  end

  def test_hides_end_and_tell_which_fix_lasts
    interface = Interface.new(1)
    Work::Hiding.new(@index, now: NOW, interface: interface).call("#{SMALL}/1")
    hide = Work::Overview.new(@site, now: Time.utc(2027, 2, 20)).call[:hides].first
    assert_equal ["#{SMALL}/1", 6, true, nil], hide.values_at(:url, :days_left, :soon, :fix)
    Work::Hiding.new(@index, now: NOW, interface: interface).call("#{SMALL}/1", show: true)
    assert_empty Work::Overview.new(@site, now: NOW).call[:hides]
  end

  # Directives that disagree leave a page in the index, in whatever way they are put right.
  def test_only_what_takes_a_page_out_of_the_index_outlasts_its_hide
    Work::Hiding.new(@index, now: NOW, interface: Interface.new(1)).call("#{SMALL}/1")
    outlasting = -> do
      IronTrellis::Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: NOW)
      fixes = Store::Workplan::Fix.of(@site).select { |fix| fix.faults.any? { |one| one["url"] == "#{SMALL}/1" } }
      assert_includes fixes.map(&:kind), "directives"
      Work::Overview.new(@site, now: NOW).call[:hides].first[:fix]
    end
    assert_nil outlasting.call
    @site.decisions.decide("intent", {"#{SMALL}/1" => {"intent" => "keep_out"}}, by: "Ada", now: Time.now)
    IronTrellis::Work::Judging::Judgement.alone(@site.newest_crawl.reload, clock: -> { Time.now })
    assert_match(/\AF\d+\z/, outlasting.call)
  end

  def test_pages_of_other_sites_are_refused
    refused = assert_raises(IronTrellis::Core::Error::InvalidInput) do
      queue.add(["http://elsewhere.example/"], linked: false, by: "Ada")
    end
    assert_match(/on no host of #{@site.name}/, refused.message)
    assert_raises(IronTrellis::Core::Error::InvalidInput) do
      Work::Hiding.new(@index, now: NOW, interface: Interface.new(1)).call("http://elsewhere.example/")
    end
  end

  def test_a_cleared_copy_hides_nothing_and_waits_for_nothing
    Work::Hiding.new(@index, now: NOW, interface: Interface.new(1)).call("#{SMALL}/1", only_copy: true)
    hide = Work::Overview.new(@site, now: Time.utc(2027, 2, 20)).call[:hides].first
    assert_equal [true, false], hide.values_at(:only_copy, :soon)
    assert_empty Store::Workplan::HideEnds.of(@site)
  end

  def test_what_is_proved_is_asked_for_when_no_other_fix_holds_it_up
    IronTrellis::Work::Workplan::RegenerateFixes.keep_up(@site.reload, now: NOW)
    urls = ->(fix) { fix.urls.map { |one| one["url"] } }
    fixes = Store::Workplan::Fix.of(@site).where.not(urls: []).order(:number).to_a
    only, other =
      fixes
        .permutation(2)
        .find { |one, two| (urls.call(one) & urls.call(two)).any? && (urls.call(one) - urls.call(two)).any? }
    shared = urls.call(only) & urls.call(other)
    Store::Workplan::Fix.of(@site).where.not(id: [only.id, other.id]).find_each { |fix| fix.become("left", now: NOW) }
    verdict =
      IronTrellis::Core::Proofs::Verdict.new(
        [
          IronTrellis::Core::Proofs::Found.new(
            condition: IronTrellis::Core::Proofs::Condition.new(url: SMALL, code: "x", text: "y"),
            met: true,
            found: "z"
          )
        ]
      )
    IronTrellis::Work::Proofs::Recording.new(only, now: NOW).by_fetch(verdict)
    waiting = Request.waiting(@index).to_a
    assert_includes waiting.map(&:why), "#{only.name} is proved"
    assert_equal (urls.call(only) - shared).sort, waiting.map(&:url).sort, "what another fix holds up waits"
  end

  private

  def queue = Work::Queue.new(@site, now: NOW)
end

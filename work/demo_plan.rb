# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Work
    # The demo in the middle of a plan: some of it done and proved, some not, one thing broken again, one late, requests
    # under way.
    class DemoPlan
      DAYS_LATE = 3
      OWNERS = [
        {"name" => DemoSite::PERSON, "hours_per_day" => 3.0, "roles" => %w[editor auditor]},
        {"name" => "Tomas Quill", "hours_per_day" => 6.0, "roles" => %w[developer]}
      ].freeze
      # What is done, of these page groups: the first is broken again afterwards, the second stays, and of the third a
      # canonical is left in the body, so that it isn't done.
      DONE = %w[/makers/ www.skerrylamper.example/toplanterne/ /topics/].freeze
      BROKEN = "canonical-off-site"
      # Said to be done, and isn't.
      SAID = "robots"

      # @param site [Store::Sites::Site]
      # @yield has the site crawled again
      def initialize(site, &crawl)
        @site = site
        @crawl = crawl
      end

      # @return [void]
      def call
        Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
        Workplan::WorkplanSettings.new(@site).keep_owners(OWNERS)
        Workplan::Scheduling.new(@site, start: Date.today).call(now: Time.now)
        done = DONE.filter_map { |group| part_of(group) }
        done.each { |fix| carry_out(fix) }
        claim(done + fixes(SAID).first(1))
        prove
        break_again(done.first)
        promise(fixes("server").first)
        @crawl.call
        Workplan::RegenerateFixes.keep_up(@site.reload, now: Time.now)
        ask
      end

      private

      def fixes(kind) = Store::Workplan::Fix.in_order(@site).where(kind: kind, template: false, state: "planned").to_a

      # Somebody takes the pages of one group out of a larger fix.
      def part_of(group)
        rules = @site.intent_rules
        fixes("canonicals").each do |fix|
          urls = fix.urls.map { |one| one["url"] }
          mine = urls.select { |url| rules.group(url) == group }
          next if mine.empty?
          return fix if mine.size == urls.size

          return Workplan::Dividing.new(@site, now: Time.now, by: DemoSite::PERSON).split(fix.name, mine)
        end
        nil
      end

      def carry_out(fix)
        texts = Workplan::Listing.new(@site).one(fix)["text"]
        Workplan::Applying.new(@site).call(texts)
      end

      def claim(fixes) = Workplan::Claiming.call(@site, fixes.map(&:name), by: DemoSite::PERSON, now: Time.now)

      def prove
        Proofs::Proving.new(@site, clock: -> { Time.now }).call(Proofs::Proving.asked(@site, []))
      end

      # Somebody promised it for an earlier day than it can be done.
      def promise(fix)
        day = (fix.finish - DAYS_LATE).iso8601
        Workplan::Changing.new(@site, fix.name).call({"deadline" => day}, now: Time.now)
      end

      # Somebody put it back as it was.
      def break_again(fix)
        fault = fix.faults.find { |one| one["code"] == BROKEN }
        host, path = fault["url"].match(%r{\Ahttps?://([^/]+)(/.*)\z}).captures
        Workplan::Applying.client(@site).change(host, path, {"canonical" => fault["about"]})
      end

      def ask = Requests::Queue.new(@site, now: Time.now).ask(Store::Evidence::Index.first_of(@site))
    end
  end
end

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
      # So many of these are carried out; the first of them has this, and is broken again afterwards.
      DONE = 3
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
        broken, others = fixes("canonicals").partition { |fix| fix.faults.any? { |one| one["code"] == BROKEN } }
        done = (broken + others).first(DONE)
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

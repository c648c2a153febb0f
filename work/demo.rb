# frozen_string_literal: true

require "json"
require "net/http"
require "yaml"

module IronTrellis
  module Work
    # The demo: made by running the real code against the site stand-in.
    class Demo
      EMAIL = "ines@skerrylamps.example"
      # No secret: the demo listens on loopback only, and bin/demo prints it.
      PASSWORD = "trim-the-wick"
      # Other makers, whose pages those of the works are held against.
      RIVALS = %w[
        www.northlight-lanterns.example
        www.tidewright.example
        www.beaconyard.example
        www.old-harbour-stores.example
      ].freeze
      KEPT_OUT = %w[/account/* /thank-you /search].freeze
      DECIDED_GROUPS = 5
      DECIDED_SINGLES = 2
      DECIDED_ROUTES = 4
      # Slow enough that a crawl can be watched.
      RATE = 60
      PATIENCE_SECONDS = 240
      # What the keepers of the site did between two crawls, and whom to ask for it.
      CHANGES = %w[changes later_changes].map { |name| ROOT.join("standins/site/#{name}.yml") }.freeze
      KEEPERS = "maintenance.skerrylamps.example"

      # @param site_port [Integer] of the site stand-in
      # @param index_port [Integer] of the index stand-in
      # @param rate [Integer] requests a second, 0 for no limit
      # @param days [Integer] of the index's life
      def initialize(site_port:, index_port:, rate: RATE, days: DemoEvidence::DAYS)
        @site_port = site_port
        @index_port = index_port
        @rate = rate
        @days = days
      end

      # @param anew [Boolean] drop what is there first
      # @return [void]
      def build(anew: false)
        Store::Accounts::User.find_by(email: EMAIL) ||
          Store::Accounts::User.register(email: EMAIL, name: DemoSite::PERSON, password: PASSWORD)
        site = Store::Sites::Site.find_by(name: DemoSite::NAME)
        site = drop(site) if site && anew
        site ||= found
        ask_keepers("DELETE", "/pages") && crawl(site) unless site.newest_crawl
        evidence = DemoEvidence.new(site, @index_port, days: @days)
        evidence.first_look if Store::Evidence::Index.of(site).empty?
        change_site(CHANGES.first) && crawl(site) if site.crawls.count == 1
        evidence.later_looks(moved) unless evidence.done?
        change_site(CHANGES.last) && crawl(site) if site.crawls.count == 2
        decide(site) if site.decisions.in_force("group").empty?
        DemoPlan.new(site) { crawl(site) }.call if site.crawls.count == 3
        DemoDesk.new(site.reload).call unless Store::MissingLinks::Found.of(site)
      end

      private

      def found
        Store::Sites::Site.register(name: DemoSite::NAME, settings: settings).tap do |site|
          Intents::UpdateIntents.replace(
            site,
            intents: KEPT_OUT.map { |pattern| {"pattern" => pattern, "intent" => "keep_out"} },
            key_pages: %w[http://www.skerrylamps.example/ http://www.skerrylamps.example/lamps/],
            by: DemoSite::PERSON,
            now: Time.now
          )
        end
      end

      def settings
        Core::Settings::Crawl.new(
          "start_urls" => %w[http://www.skerrylamps.example/ http://old.skerrylamps.example/],
          "hosts" => DemoSite::HOSTS.drop(1),
          "rate" => @rate,
          "resolve" => (DemoSite::HOSTS + RIVALS).to_h { |host| ["#{host}:80", "127.0.0.1:#{@site_port}"] }
        )
      end

      def crawl(site)
        queue = "demo-#{Process.pid}"
        crawl = Crawling::Runs.start(site, now: Time.now, queue: queue)
        deadline = Time.now + PATIENCE_SECONDS
        Runtime::Queue.work(queues: [queue], threads: 1) { crawl.reload.ended? || Time.now > deadline }
        return if crawl.ended?

        raise Core::Error.new(
                "The demo's crawl did not end: " \
                "#{Runtime::Queue.errors(queue).first&.fetch("why") || "it is too slow"}"
              )
      end

      # Some of what is proposed; the rest is left open, so that there is something to decide.
      def decide(site)
        run = site.newest_crawl.verdict_run
        singles, groups = Store::Intents::GroupEvidence.new(run, site).proposals.partition { |one| one[:urls] }
        groups
          .select { |one| one[:sure] }
          .first(DECIDED_GROUPS)
          .each do |one|
            settle(site, "group", {one[:group] => {"intent" => one[:intent]}}, one[:reasons].join(" "))
          end
        singles
          .first(DECIDED_SINGLES)
          .each do |one|
            settle(
              site,
              "intent",
              one[:urls].to_h { |url| [url, {"intent" => one[:intent]}] },
              one[:reasons].join(" ")
            )
          end
        Redirects::SuggestedTargets.new(run, clock: -> { Time.now }).call
        lost = Store::Redirects::FoundRedirects.new(run, site).broken[:rows].first(DECIDED_ROUTES)
        lost.each do |row|
          row["suggestions"].first.then do |best|
            settle(
              site,
              "route",
              {row["url"] => {"to" => best["target"], "status" => best["status"], "why" => best["reasons"].first}}
            )
          end
        end
        Tasks::Kinds::Triage.call(
          {"index" => Store::Evidence::Index.first_of(site).id, "fetch" => true},
          now: Time.now
        ) {}
        # All crawls by what is decided now, so that they can be compared.
        site.crawls.reload.reverse_each { |crawl| Judging::Judgement.alone(crawl, clock: -> { Time.now }) }
        Redirects::SuggestedTargets.new(site.newest_crawl.verdict_run, clock: -> { Time.now }).call
        Sitemaps::Building.now(site, clock: -> { Time.now })
      end

      def settle(site, kind, values, note = nil) =
        site.decisions.decide(
          kind,
          values.to_h { |subject, value| Core::Decisions::Registry.read(kind, subject, value) },
          by: DemoSite::PERSON,
          now: Time.now,
          note: note
        )

      # What led elsewhere between the first two crawls.
      def moved =
        YAML
          .safe_load_file(CHANGES.first)
          .filter_map { |change| "http://#{DemoSite::HOSTS.first}#{change["path"]}" if change.dig("set", "location") }

      def change_site(changes)
        YAML
          .safe_load_file(changes)
          .each { |change| ask_keepers("POST", "/pages", {"host" => DemoSite::HOSTS.first}.merge(change)) }
      end

      def ask_keepers(verb, path, order = nil)
        answer =
          Net::HTTP.start("127.0.0.1", @site_port) do |http|
            http.send_request(
              verb,
              path,
              order && JSON.generate(order),
              "Host" => KEEPERS,
              "Content-Type" => "application/json"
            )
          end
        raise Core::Error.new("The site stand-in would not change: #{answer.body}") unless answer.is_a?(Net::HTTPOK)

        true
      end

      def drop(site)
        site.drop
        nil
      end
    end
  end
end

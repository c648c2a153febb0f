# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Reads pages for the desk, politely: as the site's crawler and at its speed, each as robots.txt lets it.
      class Reading
        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site, @now = site, now
          @settings = site.crawl_settings
          @reads = Store::Desk::Reads.new(site)
          @fetch = Crawling::OneFetch.of(@settings, Store::Settings::Secrets.of(site.id))
          @pages = PagesRead.new(@fetch, pace: Crawling::Pace.new(@settings.rate), main: true)
        end

        # @param urls [Array<String>]
        # @yieldparam done [Integer]
        # @yieldparam total [Integer]
        # @return [void]
        def call(urls)
          allowed, shut = allowed(urls)
          shut.each { |url| @reads.keep(url, nil, now: @now, problem: "robots.txt keeps us from reading it") }
          # Together, so that their times can be compared; alone where one of them fails.
          together(allowed) { |done| yield done, allowed.size if block_given? }
        end

        private

        def together(urls)
          @pages.each(urls) do |url, page, problem|
            @reads.keep(url, page, now: @now, problem: problem)
            yield urls.index(url) + 1
          end
        end

        def allowed(urls)
          return urls, [] if @settings.ignore_robots

          policies = {}
          @fetch.call do |client|
            urls.partition do |url|
              parts = Core::Url::NormalForm.parse(url)
              policy =
                policies.fetch(parts.origin) do |origin|
                  policies[origin] = Fetch::Robots::RobotsFetch.call(client, parts).policy(@settings.agent)
                end
              policy.nil? || !policy.answered? || policy.decide(parts).allowed?
            end
          end
        end
      end
    end
  end
end

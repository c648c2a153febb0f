# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Redirects
      # Asks servers whether they answer as the redirect map of a site says, rule by rule.
      class LiveCheck
        # In place of an error: no URL that is known is taken by the pattern.
        NOBODY = "no known address"

        NOT_OURS = "its host is not in scope"

        # Has the whole map tested in a job.
        #
        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @return [String] when it was asked for, in UTC; tests from then on belong to it
        def self.ask(site, now:)
          asked_at = now.utc.iso8601(3)
          Runtime::Queue.enqueue("TestRoutes", {site_id: site.id, asked_at: asked_at})
          asked_at
        end

        # @param site [Store::Sites::Site]
        # @param clock [#call]
        def initialize(site, clock:)
          @site = site
          @clock = clock
          settings = site.crawl_settings
          @fetch = Crawling::OneFetch.new(agent: settings.agent, addresses: Fetch::Http::HostResolver.of(settings))
          @map = Store::Redirects::RouteMap.new(site, site.newest_crawl&.verdict_run)
          @scope = settings.scope
          @pause = settings.rate.zero? ? 0 : 1.0 / settings.rate
        end

        # @param routes [Array<Core::Redirects::Route>] of a pattern some known addresses are tried
        # @return [void]
        def call(routes)
          # Known addresses are looked through once for all patterns.
          @samples = @map.samples(routes.select(&:pattern?))
          @fetch.call do |client|
            routes.each do |route|
              Store::Redirects::RouteTest.keep(
                @site.id,
                route.from,
                route.pattern? ? of_samples(route, client) : build(route.from, route.status, route.to, client),
                @clock.call
              )
              sleep @pause
            end
          end
        end

        private

        # The first answer that is wrong, else the last one that is right.
        def of_samples(route, client)
          found = @samples.fetch(route)
          return {status: nil, location: nil, error: NOBODY, right: false} if found.empty?

          answers = found.map { |url, target| build(url, route.status, target, client) }
          answers.find { |answer| !answer[:right] } || answers.last
        end

        def build(from, status, to, client)
          return {status: nil, location: nil, error: NOT_OURS, right: false} unless @scope.host?(from)

          url = Core::Url::NormalForm.parse(from)
          answer = client.fetch(url)
          location = answer.leads_to(url)&.to_s
          {
            status: answer.status,
            location: location,
            error: answer.error,
            right: answer.status == status && location == to
          }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    # Asks servers whether they answer as the redirect map of a site says, rule by rule.
    class RouteTrial
      # @param site [Store::Site]
      # @param clock [#call]
      def initialize(site, clock:)
        @site = site
        @clock = clock
        settings = site.crawl_settings
        @fetch = OneFetch.new(agent: settings.agent, resolve: settings.resolve, allow_private: settings.allow_private)
        @pause = settings.rate.zero? ? 0 : 1.0 / settings.rate
      end

      # @param routes [Array<Core::Routes::Route>] for one address each
      # @return [void]
      def call(routes)
        @fetch.call do |client|
          routes.each do |route|
            Store::RouteTest.keep(@site.id, route.from, told(route, client), @clock.call)
            sleep @pause
          end
        end
      end

      private

      def told(route, client)
        url = Core::Url::NormalForm.parse(route.from)
        answer = client.fetch(url)
        location = answer.headers.first("location") if answer.redirect?
        location &&= Core::Url::Resolver.new(url).call(location)
        {status: answer.status, location: location, error: answer.error, right: answer.status == route.status && location == route.to}
      end
    end
  end
end

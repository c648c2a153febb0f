# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Reads pages for the desk, politely: as the site's crawler and at its speed, each as robots.txt lets it.
      class Reading
        MOST_PICTURES = 20

        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site, @now = site, now
          @settings = site.crawl_settings
          @reads = Store::Desk::Reads.new(site)
          @fetch = Crawling::OneFetch.of(@settings, Store::Settings::Secrets.of(site.id))
          @pace = Crawling::Pace.new(@settings.rate)
          @pages = PagesRead.new(@fetch, pace: @pace, main: true)
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
            # Only of the page itself, which comes first, its pictures are looked at.
            look_at_pictures(page) if page && url == urls.first
            @reads.keep(url, page, now: @now, problem: problem)
            yield urls.index(url) + 1
          end
        end

        def look_at_pictures(page)
          @fetch.call { |client| page.figures.first(MOST_PICTURES).each { |one| look_at(one, client) } }
        end

        def look_at(figure, client)
          @pace.wait(Core::Url::NormalForm.parse(figure["url"]).authority)
          answer = client.fetch(Core::Url::NormalForm.parse(figure["url"]))
          figure.merge!(Ports::Pictures.facts(answer.body.to_s)) if answer.status == 200 && answer.error.nil?
        rescue Core::Url::NormalForm::Malformed
          nil
        end

        def allowed(urls)
          return urls, [] if @settings.ignore_robots

          robots = Fetch::Robots::Policies.new(@settings.agent)
          @fetch.call do |client|
            urls.partition do |url|
              decision = robots.decision(Core::Url::NormalForm.parse(url), client)
              decision.nil? || decision.allowed?
            end
          end
        end
      end
    end
  end
end

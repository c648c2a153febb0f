# frozen_string_literal: true

module IronTrellis
  module Work
    module Rendering
      # The browsers of this process for one crawl: they go on from one slice of it to the next, and end with the
      # process or when another crawl is rendered.
      class CrawlBrowsers
        LOCK = Mutex.new

        class << self
          # @param crawl [Store::Crawling::Crawl]
          # @return [CrawlBrowsers]
          def of(crawl)
            LOCK.synchronize do
              return @held if @held&.for?(crawl)

              @held&.close
              at_exit { @held&.close } unless @held
              @held = new(crawl)
            end
          end
        end

        # @param crawl [Store::Crawling::Crawl]
        def initialize(crawl)
          settings = crawl.crawl_settings
          @crawl_id, @process = crawl.id, Process.pid
          @token = settings.agent
          @drop = settings.dropped_parameters
          pace = Crawling::Pace.new(settings.rate)
          @pool =
            Fetch::Rendering::Pool.new(
              Fetch::Rendering::RequestPolicy.new(
                addresses: Fetch::Http::HostResolver.of(settings),
                profile: Fetch::Http::RequestProfile.of(settings, crawl.secrets),
                token: @token,
                ignore_robots: settings.ignore_robots,
                pace: ->(authority) { pace.wait(authority) }
              )
            )
        end

        # @param crawl [Store::Crawling::Crawl]
        # @return [Boolean]
        def for?(crawl) = @crawl_id == crawl.id && @process == Process.pid

        # @param url [Core::Url::Parts]
        # @param answer [Core::Crawling::Answer] that came for it
        # @return [Core::Rendering::Reading]
        def call(url, answer) =
          Core::Rendering::Reading.new(@pool.render(url, answer: answer), agent: @token, drop: @drop)

        # @return [void]
        def close = @process == Process.pid && @pool.close
      end
    end
  end
end

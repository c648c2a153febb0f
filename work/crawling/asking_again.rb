# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Asks the slowest pages of a crawl again, one at a time, when all else is fetched.
      class AskingAgain
        # @param crawl [Store::Crawling::Crawl] whose fetching has ended
        # @param now [#call] gives monotonic seconds
        def initialize(crawl, now: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
          @crawl = crawl
          @now = now
          @pages =
            Store::Crawling::SlowPages.new(crawl, limit: crawl.site.limits.least(:slow_ms), most: SlowAnswers::MOST)
        end

        # @param seconds [Numeric] for which it may go on
        # @return [Boolean] whether some are left
        def call(seconds)
          left = @pages.open
          return false if left.empty?

          deadline = @now.call + seconds
          times = {}
          fetch do |client|
            times[left.first["url_id"]] = time(client, left.shift["url"]) until left.empty? || @now.call > deadline
          end
          @pages.keep(times)
          left.any?
        end

        private

        def fetch(&block)
          settings = @crawl.crawl_settings
          @pause = settings.rate.zero? ? 0 : 1.0 / settings.rate
          OneFetch.of(settings, @crawl.secrets).call(&block)
        end

        def time(client, url)
          sleep(@pause)
          client.fetch(Core::Url::NormalForm.split(url)).response_ms
        end
      end
    end
  end
end

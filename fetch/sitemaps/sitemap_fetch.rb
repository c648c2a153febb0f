# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Sitemaps
      # Fetches one sitemap file and reads it.
      class SitemapFetch
        # 50 MB uncompressed a file (sitemaps.org); a little more is read so that a file over the limit is known as one.
        BODY_LIMIT = 60_000_000
        MOST_REDIRECTS = 5
        # What may pass is tried once more.
        PAUSE = 1

        # @param client [Http::Client]
        # @param url [Core::Url::Parts]
        # @param now [Time]
        # @param patient [Boolean] whether it is asked for again where the failure may pass
        # @return [Core::Sitemaps::Fetched]
        def self.call(client, url, now:, patient: true)
          answer, last = patient ? patiently(client, url) : fetch(client, url)
          unless answer.error.nil? && answer.status == 200
            return Core::Sitemaps::Fetched.new(url: last.to_s, status: answer.status, error: answer.error || "status")
          end

          reading = Core::Sitemaps::Reader.new(url, now: now).call(answer.body)
          Core::Sitemaps::Fetched.new(url: last.to_s, status: 200, bytes: reading.bytes, reading: reading)
        rescue Http::FetchError
          Core::Sitemaps::Fetched.new(url: url.to_s, status: answer&.status, error: "malformed")
        end

        def self.patiently(client, url)
          found = fetch(client, url)
          return found unless found.first.transient?

          sleep PAUSE
          fetch(client, url)
        end

        # @return [Array(Core::Crawling::Answer, Core::Url::Parts)] the answer, and the address that gave it
        def self.fetch(client, url)
          MOST_REDIRECTS.times do
            answer = client.fetch(url, body_limit: BODY_LIMIT)
            target = answer.leads_to(url) or return [answer, url]
            url = target
          end
          [client.fetch(url, body_limit: BODY_LIMIT), url]
        end

        private_class_method :patiently, :fetch
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Crawl
    # Fetches one sitemap file and reads it.
    class SitemapFetch
      # 50 MB uncompressed a file (sitemaps.org); a little more is read so that a file over the limit is known as one.
      BODY_LIMIT = 60_000_000
      MOST_REDIRECTS = 5
      # What may pass is tried once more.
      PAUSE = 1

      # `reading` is the Core::Sitemaps::Reader::Result, nil where nothing could be read.
      Result = Struct.new(:status, :error, :bytes, :reading, keyword_init: true)

      # @param client [Client]
      # @param url [Core::Url::Parts]
      # @param now [Time]
      # @return [Result]
      def self.call(client, url, now:)
        answer = patiently(client, url)
        return Result.new(status: answer.status, error: answer.error || "status") unless answer.error.nil? && answer.status == 200

        reading = Core::Sitemaps::Reader.new(url, now: now).call(answer.body)
        Result.new(status: 200, bytes: reading.bytes, reading: reading)
      rescue FetchError
        Result.new(status: answer&.status, error: "malformed")
      end

      def self.patiently(client, url)
        answer = fetch(client, url)
        return answer unless answer.passing?

        sleep PAUSE
        fetch(client, url)
      end

      def self.fetch(client, url)
        MOST_REDIRECTS.times do
          answer = client.fetch(url, body_limit: BODY_LIMIT)
          location = answer.headers.first("location") if answer.redirect?
          url = location && Core::Url::Resolver.new(url).parts(location) or return answer
        end
        client.fetch(url, body_limit: BODY_LIMIT)
      end

      private_class_method :patiently, :fetch
    end
  end
end

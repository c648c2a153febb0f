# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Robots
      # Fetches an origin's robots.txt, following up to five redirects (RFC 9309 section 2.3.1.2). What may pass is
      # tried once more, since a file that can't be had shuts the whole host.
      class RobotsFetch
        MOST_REDIRECTS = 5
        # At least 500 KiB must be parsed (section 2.5); the rest of a longer file is left unread.
        BODY_LIMIT = 512_000 * 4
        PAUSE = 1

        # @param client [Http::Client]
        # @param url [Core::Url::Parts] any URL of the origin
        # @return [Core::Robots::Fetched]
        def self.call(client, url)
          current = url.dup.tap { |parts| parts.path, parts.query = "/robots.txt", nil }
          MOST_REDIRECTS.succ.times do
            answer = patiently(client, current)
            target = answer.leads_to(current)
            return result(url, answer) unless target

            current = target
          end
          # A file behind more redirects counts as unavailable, which means no restriction.
          Core::Robots::Fetched.new(origin: url.origin, status: 404)
        end

        def self.patiently(client, url)
          answer = client.fetch(url, body_limit: BODY_LIMIT)
          return answer unless answer.error == "closed" || (answer.status || 0) >= 500

          sleep PAUSE
          client.fetch(url, body_limit: BODY_LIMIT)
        end

        def self.result(url, answer)
          cut = answer.error == "too_large" && !answer.body.empty?
          status = answer.redirect? ? 404 : answer.status
          body = text(answer.body, cut) if status && (200..299).cover?(status)
          Core::Robots::Fetched.new(
            origin: url.origin,
            status: status,
            error: cut ? nil : answer.error,
            error_detail: (answer.error_detail unless cut),
            body: body
          )
        end

        # A file that was cut ends with its last whole line.
        def self.text(bytes, cut)
          bytes = bytes[0..bytes.rindex("\n").to_i] if cut
          Core::Url::Percent.of_bytes(bytes).delete("\0")
        end
        private_class_method :patiently, :result, :text
      end
    end
  end
end

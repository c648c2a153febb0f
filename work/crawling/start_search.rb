# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Finds out where a site answers of which only the bare domain was given: https first, then http, and on to where
      # it sends its visitors, as long as that is the same site.
      class StartSearch
        Start = Core::Settings::Start
        MOST_HOPS = 5

        # @param settings [Core::Settings::Crawl]
        # @param secrets [Core::Settings::Secrets]
        def initialize(settings, secrets)
          @settings = settings
          @secrets = secrets
        end

        # @return [Core::Settings::Crawl] with whole start URLs, and the hosts that were given in scope
        def call
          found = @settings.start_urls.to_h { |text| [text, Start.bare?(text) ? find(text) : text] }
          left =
            found.filter_map { |text, url| authority(Start.url(text)) if authority(url) != authority(Start.url(text)) }
          Core::Settings::Crawl.new(
            @settings.to_h.merge("start_urls" => found.values.uniq, "hosts" => (@settings.hosts + left).uniq)
          )
        ensure
          @client&.close
        end

        private

        # Where nothing answers the first one stays, and the crawl says why nothing came of it.
        def find(text)
          [Start::FIRST, Start::SECOND].each { |scheme| (last = visit(scheme + text)) && (return last) }
          Start.url(text)
        end

        def visit(url)
          first = parts = Core::Url::NormalForm.parse(url)
          MOST_HOPS.times do
            answer = client.fetch(parts)
            return nil if answer.status.nil?

            target = answer.leads_to(parts)
            return parts.to_s unless target && Core::Crawling::HostVariants.same_site?(target.to_s, first.to_s)

            parts = target
          end
          first.to_s
        end

        def client
          @client ||=
            Fetch::Http::Client.new(
              addresses: Fetch::Http::HostResolver.of(@settings),
              profile: Fetch::Http::RequestProfile.of(@settings, @secrets)
            )
        end

        def authority(url) = Core::Url::NormalForm.parse(url).authority
      end
    end
  end
end

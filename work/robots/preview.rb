# frozen_string_literal: true

module IronTrellis
  module Work
    module Robots
      # Tries a robots.txt, a draft or the one that an origin has now, against URLs.
      class Preview
        # `text` is nil where the file could not be had; `status` and `error` say why, `reachable` whether that shuts
        # the host.
        Fetched = Struct.new(:url, :status, :error, :text, keyword_init: true)

        # @param agent [String] product token
        # @param fetch [Crawling::OneFetch] by which a file is had
        def initialize(agent:, fetch: Crawling::OneFetch.new(agent: agent))
          @agent = agent
          @fetch = fetch
        end

        # @param agent [String]
        # @param settings [Core::Settings::Crawl, nil] of the site whose hosts are asked; nil where it is none
        # @return [Preview]
        def self.of(agent, settings)
          if settings
            new(
              agent: agent,
              fetch: Crawling::OneFetch.new(agent: agent, addresses: Fetch::Http::HostResolver.of(settings))
            )
          else
            new(agent: agent)
          end
        end

        # @param text [String]
        # @param urls [Array<String>] whole, or paths
        # @return [Array<Hash>] url, allowed, line, rule, in the order asked
        def draft(text, urls) = decide(Core::Robots::Policy.from_answer(status: 200, text: text, agent: @agent), urls)

        # @param url [String] any URL of the origin, or its robots.txt
        # @param urls [Array<String>]
        # @return [Array(Fetched, Array<Hash>)]
        # @raise [Core::Url::NormalForm::Malformed]
        def live(url, urls)
          parts = Core::Url::NormalForm.parse(url)
          result = fetch(parts)
          policy = result.policy(@agent) || Core::Robots::Policy.from_answer(status: nil, text: nil, agent: @agent)
          [
            Fetched.new(
              url: "#{parts.origin}/robots.txt",
              status: result.status,
              error: result.error,
              text: result.body
            ),
            decide(policy, urls)
          ]
        end

        private

        def fetch(parts)
          @fetch.call { |client| Fetch::Robots::RobotsFetch.call(client, parts) }
        end

        # A path stands for itself on any host.
        def decide(policy, urls)
          base = Core::Url::Resolver.new(Core::Url::NormalForm.parse("http://localhost/"))
          urls.map do |url|
            decision =
              policy.decide(
                base.parts(url) ||
                  raise(Core::Error::InvalidInput.new("“#{url}” is neither a web address nor a path.", url: url))
              )
            {url: url, allowed: decision.allowed?, line: decision.line, rule: decision.rule}
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Rendering
      # Has single pages rendered outside of any crawl, and tells what came of each.
      class OneLook
        # What came of one page: the Core::Rendering::Rendered and its Core::Rendering::Reading (nil where it has none).
        class Told
          attr_reader :rendered, :reading

          # @param rendered [Core::Rendering::Rendered]
          # @param agent [String] product token
          def initialize(rendered, agent)
            @rendered = rendered
            @reading = Core::Rendering::Reading.new(rendered, agent: agent) if rendered.answer && rendered.html
            @agent = agent
          end

          # @return [Hash{Symbol => Object}] for JSON, without the document and the picture
          def to_h
            {
              **@rendered.to_h.slice(:url, :final_url, :agent, :width, :ended_by, :error, :error_detail, :timings,
                :missing),
              status: @rendered.status,
              header_lines: @rendered.answer&.header_lines,
              **read,
              console: @rendered.console,
              requests: @rendered.requests.map(&:as_json),
              layouts: @rendered.layouts.map(&:as_json)
            }
          end

          # @return [String] a few lines for people
          def summary
            asked = @rendered.requests.map(&:outcome).tally
            [
              "#{@rendered.document_url} answers #{@rendered.status}; rendered as #{@rendered.agent}, " \
                "#{@rendered.width} px wide, ended by #{@rendered.ended_by}",
              "asked for #{@rendered.requests.size}: #{asked.map { |one| one.reverse.join(" ") }.join(", ")}",
              *@rendered.missing.to_h.map { |part, why| "no #{part}: #{why}" },
              *(@reading&.differences || []).map { |one| change(one) }
            ].join("\n")
          end

          private

          def read
            return {} unless (facts = @reading&.facts)

            {
              title: facts.title,
              **facts.directives_for(@agent),
              hreflang: facts.hreflang,
              words: facts.words,
              links: facts.links.map { |link| link.to_h.slice(:target, :type, :text, :followed) },
              differences: @reading.differences.map { |one| difference(one) }
            }
          end

          def difference(one) =
            (one.what == "links") ? {**one.to_h, **Core::Rendering::Reading.named(one.raw, one.rendered)} : one.to_h

          def change(one)
            return links(one) if one.what == "links"

            "scripts change #{one.what}: #{short(one.raw)} -> #{short(one.rendered)}"
          end

          def links(one) = ["scripts change links: #{one.rendered.size} added, #{one.raw.size} removed",
            *one.rendered.map { |url| "  + #{url}" }, *one.raw.map { |url| "  - #{url}" }].join("\n")

          def short(value)
            return "#{value.size} #{value.first}".strip if value.is_a?(Array)

            value.nil? ? "none" : value.to_s[0, 80]
          end
        end

        # For the command line, whose user may name a host of this machine's network; what its pages ask for may not.
        #
        # @param url [Core::Url::Parts] the page that will be looked at
        # @param resolve [Hash{String => String}]
        # @param allow_private [Boolean]
        # @param ignore_robots [Boolean]
        # @return [OneLook]
        def self.at(url, resolve: {}, allow_private: false, ignore_robots: false)
          settings = Core::Settings::Crawl.new({"start_urls" => [url.to_s], "ignore_robots" => ignore_robots})
          addresses =
            Fetch::Http::HostResolver.new(
              resolve: resolve,
              allow_private: allow_private && ->(authority) { authority == url.authority }
            )
          new(settings, Core::Settings::Secrets.new({}), addresses)
        end

        # @param settings [Core::Settings::Crawl]
        # @param secrets [Core::Settings::Secrets]
        # @param addresses [Fetch::Http::HostResolver]
        def initialize(settings, secrets, addresses = Fetch::Http::HostResolver.of(settings))
          @agent = settings.agent
          profile = Fetch::Http::RequestProfile.of(settings, secrets)
          profile.fresh = true
          way =
            Fetch::Rendering::RequestPolicy.new(
              addresses: addresses,
              profile: profile,
              token: @agent,
              ignore_robots: settings.ignore_robots
            )
          @browser = Fetch::Rendering::Browser.new(way)
        end

        # @param url [Core::Url::Parts]
        # @param how [Hash] as Fetch::Rendering::Browser#render
        # @return [Told]
        def call(url, **how) = Told.new(@browser.render(url, **how), @agent)

        # @return [void]
        def close = @browser.close
      end
    end
  end
end

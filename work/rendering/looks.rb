# frozen_string_literal: true

module IronTrellis
  module Work
    module Rendering
      # A page rendered now, as the crawler and as a visitor, on a desk and on a phone, each with its picture; what
      # scripts make of it, and what the crawler is shown otherwise than the visitor. A live result may differ from one
      # time to the next.
      class Looks
        Layout = Core::Rendering::Layout
        WAYS = [["crawler", Layout::DESK], ["visitor", Layout::DESK], ["visitor", Layout::PHONE]].freeze
        MOST_LINES = 2_000
        MOST_LISTED = 200
        NOTHING_TOLD = {noindex: nil, nofollow: nil, canonical: nil}.freeze

        # @param crawl [Store::Crawling::Crawl] whose settings and secrets count
        def initialize(crawl)
          @settings = crawl.crawl_settings
          @secrets = crawl.secrets
        end

        # @param url [String]
        # @yieldparam done [Integer]
        # @yieldparam total [Integer]
        # @return [Hash] looks, by_script and by_agent, for JSON
        def call(url)
          looking = OneLook.new(@settings, @secrets)
          parts = Core::Url::NormalForm.parse(url)
          told =
            WAYS.each_with_index.map do |(agent, width), place|
              yield place, WAYS.size if block_given?
              looking.call(parts, agent: agent, width: width, screenshot: true)
            end
          {looks: told.map { |one| look(one) }, by_script: by_script(told.first), by_agent: by_agent(*told.first(2))}
        ensure
          looking&.close
        end

        private

        def look(told)
          rendered, facts = told.rendered, told.reading&.facts
          {
            **rendered.to_h.slice(:agent, :width, :final_url, :ended_by, :error, :error_detail, :console),
            status: rendered.status,
            timings: rendered.timings.transform_keys(&:to_s),
            **values(facts),
            lines: rendered.text.to_s.split("\n").first(MOST_LINES),
            requests: rendered.requests.map(&:as_json),
            layouts: rendered.layouts.map(&:as_json),
            screenshot: rendered.screenshot && [rendered.screenshot].pack("m0")
          }
        end

        def values(facts)
          {
            title: facts&.title,
            description: facts&.description,
            h1: facts&.h1 || [],
            **(facts&.directives_for(@settings.agent) || NOTHING_TOLD),
            words: facts&.words,
            links: facts&.links&.count { |link| link.type == "anchor" }
          }
        end

        def by_script(told)
          reading = told.reading or return {changes: [], links: [], text: []}
          {
            changes: reading.differences.map { |one| change(one.what, one.raw, one.rendered) },
            links: reading.links_by_script.first(MOST_LISTED),
            text: reading.text_by_script.first(MOST_LISTED)
          }
        end

        # What a crawler is shown and a visitor isn't, or otherwise.
        def by_agent(crawler, visitor)
          mine, theirs = [crawler, visitor].map { |one| values(one.reading&.facts) }
          changes =
            mine.filter_map { |name, value| change(name.to_s, value, theirs[name]) unless value == theirs[name] }
          lines = [crawler, visitor].map { |one| one.rendered.text.to_s.split("\n").uniq }
          {
            changes: changes,
            only_crawler: (lines.first - lines.last).first(MOST_LISTED),
            only_visitor: (lines.last - lines.first).first(MOST_LISTED)
          }
        end

        def change(what, one, other) = {what: what, one: shown(one), other: shown(other)}

        def shown(value) = value.is_a?(Array) ? value.join("\n") : value&.to_s
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Evidence
      # What an index stored of a page beside what is there now, as the crawler is given it.
      class StoredAndNow
        # What both tell by the same name.
        FIELDS = {"Status" => "status", "Title" => "title", "Canonical" => "canonical"}.freeze

        # @param index [Store::Evidence::Index] with an interface
        # @param crawl [Store::Crawling::Crawl] by whose settings the page is fetched
        # @param interface [Object] of Ports::Indexes
        def initialize(index, crawl, interface: Pulling.interface(index))
          @index = index
          @crawl = crawl
          @interface = interface
        end

        # @param url [String]
        # @return [Hash] index, fetched_on, agent, blocked (the rule of robots.txt that keeps us from looking, or nil),
        #   rows ([{name, stored, now}]) and text ([[who has it, words]], as of Core::Evidence::TextDifference)
        # @raise [Core::Error::NotFound] where the index knows no such page
        def call(url)
          stored = @interface.look(url)
          now = Crawling::LiveFetch.new(@crawl, "crawler").page(url)
          {
            index: @index.name,
            fetched_on: stored["fetched_on"],
            agent: stored["agent"],
            blocked: now[:blocked],
            rows: now[:blocked] ? [] : rows(stored, now),
            text: (stored["text"] && now[:text]) ? Core::Evidence::TextDifference.of(stored["text"], now[:text]) : []
          }
        end

        private

        def rows(stored, now)
          seen = now.merge(status: now[:hops].first&.fetch(:status) || now[:error])
          pairs = FIELDS.map { |name, field| [name, stored[field], seen[field.to_sym]] }
          [
            *pairs,
            ["Leads to", stored["target"], (now[:hops].last[:url] if now[:hops].size > 1)],
            ["noindex", said(stored["noindex"]), said(now[:noindex])],
            *headers(stored["headers"] || [], now[:header_lines])
          ].map { |name, *values| {name: name, stored: values.first&.to_s, now: values.last&.to_s} }
        end

        def said(value) = value.nil? ? nil : {true => "yes", false => "no"}.fetch(value)

        # The headers that the index kept.
        def headers(kept, lines)
          now = lines.to_h { |line| line.split(/:\s*/, 2).then { |name, value| [name.downcase, value] } }
          kept.map do |line|
            name, value = line.split(/:\s*/, 2)
            [name, value, now[name.downcase]]
          end
        end
      end
    end
  end
end

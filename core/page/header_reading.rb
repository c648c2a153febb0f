# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # What the header lines of an answer say about indexing.
      class HeaderReading
        # @param headers [HeaderLines]
        # @param resolver [Url::Resolver]
        def initialize(headers, resolver)
          @headers = headers
          @resolver = resolver
          @entries = headers.all("link").flat_map { |value, _| LinkHeader.read(value) }
        end

        # @return [Array<Directives::Directive>]
        def directives
          @headers.all("x-robots-tag").map do |value, line|
            agent, tokens = Directives::Tokens.read_header(value)
            Directives::Directive.new(source: "header", agent: agent, tokens: tokens, line: line)
          end
        end

        # @return [Array<Canonicals::Named>]
        def canonicals
          named("canonical").map { |entry| Canonicals::Named.new(href: entry.target, source: "header", place: "head") }
        end

        # @return [Array<Hash>] {code:, url:, source:}
        def hreflang
          named("alternate").filter_map do |entry|
            url = entry.params["hreflang"] && @resolver.call(entry.target)
            {code: entry.params["hreflang"], url: url, source: "header"} if url
          end
        end

        # @return [Array<Page::Link>] next and prev
        def links
          %w[next prev].flat_map do |relation|
            named(relation).filter_map do |entry|
              Link.target(entry.target, @resolver)&.then { |target| Link.new(target, relation) }
            end
          end
        end

        # @return [Page::Refresh, nil]
        def refresh
          value = @headers.first("refresh")
          value && Refresh.read(value, source: "header", resolver: @resolver)
        end

        private

        def named(relation) = @entries.select { |entry| entry.rels.include?(relation) }
      end
    end
  end
end

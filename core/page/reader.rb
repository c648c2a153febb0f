# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Reads one answer into facts: headers first, then, where it is HTML, the document.
      class Reader
        # @param agent [String] the product token whose directives count
        # @param drop [Url::DroppedParameters, nil] parameters that links are read without
        def initialize(agent:, drop: nil)
          @agent = agent
          @drop = drop
        end

        # @param url [Url::Parts] the address that answered
        # @param header_lines [Array<String>] "Name: value", in order
        # @param body [String] decoded bytes
        # @return [Page::Facts]
        # @raise [Unreadable] where elements are nested too deep to be parsed
        def call(url:, header_lines:, body:)
          headers = HeaderLines.new(header_lines)
          media_type, header_charset = content_type(headers.first("content-type"), body)
          from_headers = HeaderReading.new(headers, Url::Resolver.new(url, drop: @drop))
          facts = Facts.new(kind: Kind.of(media_type), content_type: media_type, titles: [], h1: [], text: "",
            images: nil, images_without_alt: nil, data: [], data_problems: [])
          html = document(facts, body, header_charset, url) if facts.kind == "html" && !body.empty?
          join(facts, from_headers, html, url)
        end

        # @param url [Url::Parts]
        # @param answer [Crawling::Answer]
        # @return [Page::Facts, nil] nil where nothing came that could be read
        def answered(url, answer)
          return if answer.error || answer.status.nil?

          call(url: url, header_lines: answer.header_lines, body: answer.body.to_s)
        rescue Unreadable
          nil
        end

        private

        # @return [Array(String, String)] media type in lower case, charset or nil; sniffed where none was sent
        def content_type(value, body)
          media_type, *params = value.to_s.split(";").map(&:strip)
          return [body.empty? ? nil : Kind.sniff(body), nil] if media_type.nil? || media_type.empty?

          charset = params.filter_map { |param| param[/\Acharset\s*=\s*"?([^"\s]+)/i, 1] }.first
          [media_type.downcase, charset]
        end

        def document(facts, body, header_charset, url)
          text, facts.charset = Charset.decode(body, header_charset)
          raise Unreadable.new("elements are nested deeper than #{Nesting::MOST} levels") if Nesting.too_deep?(text)

          DocumentReading.new(text, url, drop: @drop).tap do |html|
            facts.titles, facts.h1 = html.titles, html.h1
            facts.images, facts.images_without_alt = html.images, html.images_without_alt
            facts.text, facts.frames, facts.menus, facts.anchors = html.text, html.frames, html.menus, html.anchors
            facts.words = Content::Words.count(facts.text)
            Registry.all.each { |extractor| facts[extractor::NAME] = extractor.call(html) }
            facts.data, facts.data_problems = html.data.items, html.data.problems
          end
        end

        def join(facts, from_headers, html, url)
          facts.directives = (html&.directives(@agent) || []) + from_headers.directives
          facts.canonical = Canonicals::Reading.of((html&.canonicals || []) + from_headers.canonicals, url)
          facts.hreflang = (html&.hreflang || []) + from_headers.hreflang
          facts.refresh = from_headers.refresh || html&.refresh
          facts.links =
            follow(
              (html&.links || []) + from_headers.links + relation_links(facts),
              Directives::Resolved.new(facts.directives, @agent)
            )
          facts
        end

        def relation_links(facts)
          links = facts.hreflang.map { |one| Link.new(one[:url], "hreflang", one[:code]) }
          links << Link.new(facts.canonical.url, "canonical") if facts.canonical.url
          links << Link.new(facts.refresh.target, "refresh") if facts.refresh
          links
        end

        # "followed is false where the link says nofollow or its page does": ugc and sponsored alone are followed.
        def follow(links, resolved)
          page_follows = !resolved.nofollow?
          links.each { |link| link.followed = page_follows && !link.rel&.include?("nofollow") }
        end
      end
    end
  end
end

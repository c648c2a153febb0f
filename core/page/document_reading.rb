# frozen_string_literal: true

require "nokolexbor"

module IronTrellis
  module Core
    module Page
      # What an HTML document says, read with Lexbor as browsers do (HTML standard, "parsing").
      class DocumentReading
        FOLD = /[[:space:]]+/
        # Their contents are no part of the page that a reader without scripts, or with them, sees.
        UNSEEN = "script, style, template, noscript, iframe, noembed, noframes, object, canvas, svg title, svg desc"

        attr_reader :links, :blocks

        # @param text [String] the document as UTF-8
        # @param url [Url::Parts] where it was found
        def initialize(text, url)
          @document = Nokolexbor::HTML(text)
          @document.css("template").each(&:remove)
          @resolver = Url::Resolver.new(base(url))
          @metas = @document.css("meta").to_a
          @links = LinkReading.new(@document, @resolver).call
          @document.css(UNSEEN).each(&:remove)
          body = @document.at_css("body")
          @blocks = body ? Content::Blocks.of(body.inner_html) : []
        end

        # @return [String, nil] the language the document says it is in
        def lang = presence(@document.root&.[]("lang"))

        # @return [Array<String>] all titles, folded; an empty one is an empty string
        def titles = @document.css("title").map { |title| fold(title.text) }

        # @return [String, nil] the first description, folded
        def description
          meta = @metas.find { |one| one["name"]&.casecmp?("description") }
          meta && fold(meta["content"].to_s)
        end

        # @return [Array<String>] texts of the H1 headings, folded
        def h1 = @document.css("h1").map { |heading| fold(heading.text) }

        # @return [Integer]
        def images = image_nodes.size

        # @return [Integer] those whose alt attribute is missing; an empty one is a choice
        def images_without_alt = image_nodes.count { |image| image["alt"].nil? }

        # @param agent [String]
        # @return [Array<Directives::Directive>] of meta robots and of the agent's own meta
        def directives(agent)
          @metas.filter_map do |meta|
            name = meta["name"]&.strip&.downcase
            next unless name == "robots" || name == agent.downcase

            Directives::Directive.new(source: "meta", agent: (name == "robots") ? nil : name,
              tokens: Directives::Tokens.read(meta["content"].to_s), place: place(meta))
          end
        end

        # @return [Array<Canonical::Named>]
        def canonicals
          related("canonical").map do |link|
            Canonical::Named.new(href: link["href"].to_s, source: "html", place: place(link))
          end
        end

        # @return [Array<Hash>] {code:, url:, source:}
        def hreflang
          related("alternate").filter_map do |link|
            url = link["hreflang"] && link["href"] && @resolver.call(link["href"])
            {code: link["hreflang"].strip, url: url, source: "html"} if url
          end
        end

        # @return [Page::Refresh, nil]
        def refresh
          meta = @metas.find { |one| one["http-equiv"]&.casecmp?("refresh") }
          meta && Refresh.read(meta["content"].to_s, source: "meta", resolver: @resolver)
        end

        private

        def base(url)
          href = @document.at_css("base[href]")&.[]("href")
          (href && Url::Resolver.new(url).parts(href)) || url
        end

        def image_nodes = @image_nodes ||= @document.css("img").to_a

        def related(relation)
          @related ||= @document.css("link[rel]").to_a
          @related.select { |link| link["rel"].downcase.split.include?(relation) }
        end

        def place(node) = (node.parent&.name == "head") ? "head" : "body"

        def fold(text) = text.gsub(FOLD, " ").strip

        def presence(text) = (text.nil? || text.strip.empty?) ? nil : text.strip
      end
    end
  end
end

# frozen_string_literal: true

require "cgi"
require "nokolexbor"

module IronTrellis
  module Core
    module Page
      # What an HTML document says, read with Lexbor as browsers do (HTML standard, "parsing"). Elements of which a page
      # has few are asked of the tree; links and text, of which it has many, are read from the serialised body.
      class DocumentReading
        FEW = [
          "base[href], title, meta, link, h1, script, style, noscript, iframe, frame, noembed, noframes, xmp",
          "plaintext, object, canvas",
          *Registry.elements
        ].join(", ").freeze
        # Serialised as they were written, markup and all; nobody sees them as text.
        RAW = %w[script style noscript iframe noembed noframes].freeze
        # Serialised as they were written and seen as text.
        VERBATIM = %w[xmp plaintext].freeze
        # What stands in them is for browsers that can't do better, or no text of the page.
        FALLBACKS = "object, canvas, svg title, svg desc"

        ABSOLUTE = %r{\Ahttps?://}i
        JSON_LD = %r{\A\s*application/ld\+json\s*(?:;|\z)}i

        # `titles` are all titles, folded; an empty one is an empty string. `skeleton` is how it is built (Skeleton).
        attr_reader :skeleton, :links, :text, :frames, :menus, :anchors, :data, :titles

        # @param html [String] the document as UTF-8
        # @param url [Url::Parts] where it was found
        # @param drop [Url::DroppedParameters, nil]
        def initialize(html, url, drop: nil)
          @document = Nokolexbor::HTML(html)
          @document.css("template").each(&:remove)
          @few = @document.css(FEW).group_by(&:name)
          @resolver = Url::Resolver.new(base(url), drop: drop)
          # Asked before fallbacks are taken out, since it is by what stands around a title that it is one.
          @titles = few("title").reject { |title| drawn?(title) }.map { |title| Content::Folded.of(title.text) }
          @links = few("link", "script", "iframe", "frame").flat_map { |node| ElementLinks.of(node, @resolver) }
          @data =
            StructuredData::Reading.new(
              few("script").select { |one| JSON_LD.match?(one["type"].to_s) }.map(&:text),
              @document,
              html,
              @resolver
            )
          quiet_raw_elements
          read_body
        end

        # @param names [Array<String>] of those elements of which a page has few: FEW
        # @return [Array<Nokolexbor::Element>]
        def few(*names) = names.flat_map { |name| @few.fetch(name, []) }

        # @param selector [String]
        # @return [Array<Nokolexbor::Element>] in the order of the document
        def css(selector) = @document.css(selector).to_a

        # @param name [String] in lower case
        # @return [String, nil] the content of the first such meta, as written; empty where it has none
        def meta(name) = few("meta").find { |one| one["name"]&.casecmp?(name) }&.then { |one| one["content"].to_s }

        # @return [String, nil] the language of the whole document, as written
        def language = @document.root&.[]("lang")

        # @return [Array<String>] texts of the H1 headings, folded; of one that is an image, its alt text
        def h1 =
          few("h1").map do |heading|
            Content::Folded.of(heading.text).then do |text|
              text.empty? ? Content::Folded.of(heading.css("img[alt]").map { |image| image["alt"] }.join(" ")) : text
            end
          end

        # @return [Integer]
        def images = @body.images

        # @return [Integer] those whose alt attribute is missing; an empty one is a choice
        def images_without_alt = @body.images_without_alt

        # @param agent [String]
        # @return [Array<Directives::Directive>] of meta robots and of the agent's own meta
        def directives(agent)
          few("meta").filter_map do |meta|
            name = meta["name"]&.strip&.downcase
            next unless name == "robots" || name == agent.downcase

            Directives::Directive.new(source: "meta", agent: (name == "robots") ? nil : name,
              tokens: Directives::Tokens.read(meta["content"].to_s), place: place(meta))
          end
        end

        # @return [Array<Canonicals::Named>]
        def canonicals
          related("canonical").map do |link|
            Canonicals::Named.new(href: link["href"].to_s, source: "html", place: place(link))
          end
        end

        # @return [Array<Hash>] {code:, url:, source:}; with relative: where it is no absolute URL, and misplaced: where
        #   it stands outside the head
        def hreflang
          related("alternate").filter_map do |link|
            url = link["hreflang"] && link["href"] && @resolver.call(link["href"]) or next
            flaws =
              {relative: !link["href"].strip.match?(ABSOLUTE), misplaced: place(link) == "body"}.select do |_, flawed|
                flawed
              end
            {code: link["hreflang"].strip, url: url, source: "html", **flaws}
          end
        end

        # @return [Page::Refresh, nil]
        def refresh
          meta = few("meta").find { |one| one["http-equiv"]&.casecmp?("refresh") }
          meta && Refresh.read(meta["content"].to_s, source: "meta", resolver: @resolver)
        end

        private

        def base(url)
          href = few("base").first&.[]("href")
          (href && Url::Resolver.new(url).parts(href)) || url
        end

        def quiet_raw_elements
          few(*RAW).each { |node| node.content = "" }
          few(*VERBATIM).each { |node| node.content = CGI.escapeHTML(node.text) }
        end

        def read_body
          body = @document.at_css("body")
          @body = serialised(body)
          @links.concat(@body.links)
          read = fallbacks? ? without_fallbacks(body) : @body
          @text, @frames, @menus, @anchors = read.text, read.frames, read.menus, read.anchors
        end

        def serialised(body)
          html = body ? body.inner_html : +""
          @skeleton ||= Skeleton.of(html, body ? body["class"].to_s : "")
          SerialisedBody.new(html, @resolver).read
        end

        def fallbacks? = few("object", "canvas").any? || few("title").any? { |title| drawn?(title) }

        def without_fallbacks(body)
          @document.css(FALLBACKS).each(&:remove)
          serialised(body)
        end

        # In an SVG drawing or a formula it is no title of the page.
        def drawn?(title) =
          title.parent&.name != "head" && title.ancestors.any? { |node| %w[svg math].include?(node.name) }

        def related(relation) = few("link").select { |link| link["rel"].to_s.downcase.split.include?(relation) }

        def place(node) = (node.parent&.name == "head") ? "head" : "body"
      end
    end
  end
end

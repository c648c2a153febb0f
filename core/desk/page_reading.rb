# frozen_string_literal: true

require "nokolexbor"

module IronTrellis
  module Core
    module Desk
      # Reads a page's words, element by element, from its document.
      class PageReading
        EMPHASIS = "b, strong, i, em"
        NOWHERE = "http://localhost/"
        HTML = /<(?:!doctype|html|head|body|title|h1|p|div)\b/i
        BETWEEN_WORDS = /[^\p{L}\p{N}]+/

        # @param body [String] bytes, of HTML or of plain text
        # @param url [Url::Parts, nil] where it was found
        # @param header_lines [Array<String>]
        # @param source [String] what it is called
        # @param links_in [Array<String>] texts of links to it
        # @param first_byte_ms [Integer, nil]
        # @param main [Boolean] whether only the main text counts, without navigation and what frames it
        # @return [Page]
        # @raise [Core::Page::Unreadable]
        def self.call(body, url: nil, header_lines: ["content-type: text/html"], source: url.to_s, links_in: [],
          first_byte_ms: nil, main: false)
          new(body, url, header_lines, source, links_in, first_byte_ms, main).call
        end

        def initialize(body, url, header_lines, source, links_in, first_byte_ms, main)
          @body, @url, @header_lines, @source = body, url, header_lines, source
          @links_in, @first_byte_ms, @main = links_in, first_byte_ms, main
        end

        # @return [Page]
        def call
          plain? ? page({"text" => lines(@body.dup.force_encoding(Encoding::UTF_8).scrub)}) : of_html
        end

        private

        # A file without any element is a text.
        def plain? = @url.nil? && !@body.b.match?(HTML)

        def of_html
          at = @url || Url::NormalForm.parse(NOWHERE)
          facts = Core::Page::Reader.new(agent: "desk").call(url: at, header_lines: @header_lines, body: @body)
          text, = Core::Page::Charset.decode(@body, charset)
          document = Nokolexbor::HTML(text)
          read = page(texts(facts, document), facts, pictures(document, at), places(text))
          read.tap { |one| one.figures = FigureReading.new(document, at).call }
        end

        MOST_PICTURES = 200

        def pictures(document, at)
          resolver = Url::Resolver.new(at)
          images = document.css("img[src]").first(MOST_PICTURES)
          images.filter_map { |node| (target = resolver.call(node["src"])) && [target, alt(node)] }.uniq
        end

        def alt(node) = node["alt"]&.then { |text| Content::Folded.of(text) }

        PLACES = {
          "title" => /<title\b/i,
          "description" => /<meta\b[^>]*\bname\s*=\s*["']?description\b/i,
          "h1" => /<h1\b/i
        }.freeze

        def places(text)
          lines = text.scrub.split(/\r\n|\r|\n/)
          PLACES.transform_values { |sign| lines.index { |line| sign.match?(line) }&.+(1) }.compact
        end

        def charset = @header_lines.join("\n")[/charset\s*=\s*"?([^"\s;]+)/i, 1]

        def texts(facts, document)
          {
            "title" => facts.titles.to_a.first(1),
            "description" => [facts.description].compact,
            "h1" => facts.h1.to_a,
            "headings" => facts.outline.to_a.map(&:last),
            "text" => text(facts),
            "emphasis" => document.css(EMPHASIS).map { |node| Content::Folded.of(node.text) },
            "keywords" => keywords(document),
            "alt" => document.css("img[alt]").map { |node| Content::Folded.of(node["alt"].to_s) },
            "links_out" => facts.links.to_a.filter_map { |link|
              Content::Folded.of(link.text.to_s) if link.type == "anchor"
            },
            "links_in" => @links_in,
            "address" => @url ? [address] : []
          }.transform_values { |some| some.reject(&:empty?) }
        end

        def text(facts)
          return lines(facts.text.to_s) unless @main

          folded(Copies::MainText.blocks(facts.text.to_s, facts.frames))
        end

        def keywords(document) =
          document.css("meta[name]").select { |meta| meta["name"].casecmp?("keywords") }
            .flat_map { |meta| meta["content"].to_s.split(",").map(&:strip) }

        # The words of its path.
        def address =
          Url::Percent.decode([@url.path, @url.query].compact.join(" ")).scrub.split(BETWEEN_WORDS).join(" ").strip

        def lines(text) = folded(text.split(/\r\n|\r|\n/))

        def folded(lines) = lines.map { |line| Content::Folded.of(line) }.reject(&:empty?)

        def page(texts, facts = nil, pictures = [], places = {}) =
          Page.new(
            source: @source,
            language: facts&.lang || Content::Language.guess(texts["text"].join("\n")),
            texts: texts,
            words: Content::Words.count(texts["text"].join("\n")),
            images: facts&.images.to_i,
            links: facts&.links.to_a.count { |link| link.type == "anchor" },
            bytes: @body.bytesize,
            first_byte_ms: @first_byte_ms,
            outline: facts&.outline.to_a,
            pictures: pictures,
            places: places
          )
      end
    end
  end
end

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
          first_byte_ms: nil, main: false, status: nil)
          new(body, url, header_lines, source, links_in, first_byte_ms, main, status).call
        end

        def initialize(body, url, header_lines, source, links_in, first_byte_ms, main, status)
          @body, @url, @header_lines, @source = body, url, header_lines, source
          @links_in, @first_byte_ms, @main, @status = links_in, first_byte_ms, main, status
        end

        # @return [Page]
        # @raise [NoText]
        def call
          what = Content::Binary.kind(@body, media_type: media_type) and raise NoText.new(@source, what)

          text, = Core::Page::Charset.decode(@body, charset)
          plain?(text) ? page(own_address.merge("text" => lines(text))) : of_html(text)
        end

        # What is to be read is no text.
        class NoText < Error::InvalidInput
          # @param source [String] what it is called
          # @param what [String] that it looks like
          def initialize(source, what)
            super("#{source} looks like #{what}, not like a page or a text.")
          end
        end

        private

        # A file without any element is a text, and so is what is served as one.
        def plain?(text) = @url ? media_type == PLAIN : !text.match?(HTML)

        PLAIN = "text/plain"

        def content_type = Core::Page::HeaderLines.new(@header_lines).first("content-type").to_s

        def media_type = content_type[/\A[^;\s]+/]&.downcase

        def of_html(text)
          at = @url || Url::NormalForm.parse(NOWHERE)
          document = rendered(text)
          facts = Core::Page::Reader.new(agent: "desk").call(url: at, header_lines: AS_UTF8, body: document.to_html.b)
          read = page(texts(facts, document), facts, pictures(document, at), places(text))
          read.tap { |one| one.figures = FigureReading.new(document, at).call }
        end

        AS_UTF8 = ["content-type: text/html; charset=utf-8"].freeze
        UNSEEN = "template, noscript, [hidden]"
        # As authors write it into the element itself; what stylesheets hide isn't known here.
        UNSEEN_STYLE =
          /(?:\A|;)\s*(?:display\s*:\s*none|visibility\s*:\s*(?:hidden|collapse)|content-visibility\s*:\s*hidden)/i

        # @return [Nokolexbor::Document] without what nobody sees
        def rendered(text)
          if Core::Page::Nesting.too_deep?(text)
            raise Core::Page::Unreadable.new("elements are nested deeper than #{Core::Page::Nesting::MOST} levels")
          end

          document = Nokolexbor::HTML(text)
          document.css(UNSEEN).each { |node| node.remove unless %w[html body].include?(node.name) }
          document.css("[style]").each { |node| node.remove if UNSEEN_STYLE.match?(node["style"].to_s) }
          document
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

        def charset = content_type[/charset\s*=\s*"?([^"\s;]+)/i, 1]

        def texts(facts, document)
          {
            "title" => facts.titles.to_a.first(1),
            "description" => [facts.description].compact,
            "h1" => facts.h1.to_a,
            "headings" => facts.outline.to_a.map(&:last),
            "text" => text(facts),
            "emphasis" => emphasised(document).map { |node| Content::Folded.of(node.text) },
            "keywords" => keywords(document),
            "alt" => document.css("img[alt]").map { |node| Content::Folded.of(node["alt"].to_s) },
            "links_out" => facts.links.to_a.filter_map { |link|
              Content::Folded.of(link.text.to_s) if link.type == "anchor"
            },
            "links_in" => @links_in,
            **own_address
          }.transform_values { |some| some.reject(&:empty?) }
        end

        # What is bold in italics is emphasised once.
        def emphasised(document)
          all = document.css(EMPHASIS)
          within = document.css(EMPHASIS.split(", ").map { |outer| "#{outer} :is(#{EMPHASIS})" }.join(", ")).to_a
          within.empty? ? all : all.reject { |node| within.include?(node) }
        end

        # A file has none.
        def own_address = @url ? {"address" => [address].reject(&:empty?)} : {}

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

        def page(texts, facts = nil, pictures = [], places = {})
          text = texts["text"].join("\n")
          language = facts&.lang || Content::Language.guess(text)
          Page.new(
            source: @source,
            status: @status,
            language: language,
            texts: texts,
            words: Content::Words.count(Wording.parted(text, language)),
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
end

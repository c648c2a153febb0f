# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Finds the links of a document in its order: anchors and areas, images, scripts, stylesheets, frames, forms
      # that are sent with GET, next and prev.
      class LinkReading
        BEARERS = "a[href], area[href], img, source[srcset], script[src], link[href], iframe[src], frame[src], form[action]"
        LANDMARKS = Link.places.to_h { |name| [name, name] }.freeze
        FOLD = /[[:space:]]+/
        UNFOLDED = /\A[[:space:]]|[[:space:]]{2}|[\t-\r\u0085\u00A0\u2000-\u200A\u2028\u2029\u202F\u3000]|[[:space:]]\z/
        SRCSET_URL = /(?:\A|,)\s*([^\s,]\S*[^\s,])/

        # @param document [Nokolexbor::Document]
        # @param resolver [Url::Resolver] with the document's base
        def initialize(document, resolver)
          @document = document
          @resolver = resolver
          @places = {}
          @links = []
        end

        # @return [Array<Page::Link>] `followed` is left to the reader, who knows the directives
        def call
          @document.css(BEARERS).each { |node| read(node) }
          @links
        end

        private

        def read(node)
          case node.name
          when "a", "area" then add(node, node["href"], "anchor", anchor_text(node))
          when "img" then image(node)
          when "source" then srcset(node)
          when "script" then add(node, node["src"], "script")
          when "link" then relation(node)
          when "iframe", "frame" then add(node, node["src"], "frame")
          when "form" then add(node, node["action"], "form") unless node["method"]&.casecmp?("post")
          end
        end

        def image(node)
          add(node, node["src"], "image", alt(node)) if node["src"]
          srcset(node)
        end

        def srcset(node)
          node["srcset"]&.scan(SRCSET_URL) { |(reference)| add(node, reference, "image", alt(node)) }
        end

        def relation(node)
          rels = node["rel"].to_s.downcase.split
          add(node, node["href"], "style") if rels.include?("stylesheet")
          add(node, node["href"], "next") if rels.include?("next")
          add(node, node["href"], "prev") if rels.include?("prev")
        end

        def add(node, reference, type, text = nil)
          target = @resolver.call(reference) or return
          return if target.bytesize > Url::Resolver::MAX_BYTES

          rel = node["rel"]&.downcase if type == "anchor"
          @links << Link.new(target, type, text, rel, place(node.parent))
        end

        def anchor_text(node)
          text = fold(node.text)
          return text unless text.empty?

          node.at_css("img[alt]")&.then { |image| alt(image) } || ((node.name == "area") ? alt(node) : text)
        end

        def alt(node) = node["alt"]&.then { |text| fold(text) }

        def fold(text) = UNFOLDED.match?(text) ? text.gsub(FOLD, " ").strip : text

        # Most links share their ancestors, so each ancestor is asked once; its place in the source names it.
        def place(node)
          trail = []
          found = nil
          while node&.element?
            found = LANDMARKS[node.name] and break
            key = node.source_location
            break found = @places[key] if @places.key?(key)

            trail << key
            node = node.parent
          end
          trail.each { |key| @places[key] = found }
          found
        end
      end
    end
  end
end

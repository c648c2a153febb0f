# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # What a fault tells besides its URL, in words for people: what it is about, then each part of its detail under a
      # name.
      module Details
        # One part: its name, the kind of its value (how it is written: text, texts, url, urls, number, bytes, ms,
        # share) and the value.
        Detail = Struct.new(:name, :kind, :value, keyword_init: true)

        # By key of the detail, of what several rules tell; a rule names what is its own (DETAILS).
        NAMES = {
          "status" => ["Status", :number],
          "final_status" => ["Final status", :number],
          "error" => ["Failure", :text],
          "reason" => ["Reason", :text],
          "cause" => ["Likely cause", :text],
          "likely" => ["Meant, most likely", :text],
          "what" => ["What", :text],
          "why" => ["Why", :text],
          "where" => ["Where", :text],
          "answers" => ["It answers", :text],
          "location" => ["Redirects to", :url],
          "line" => ["Line of robots.txt", :number],
          "text" => ["As written", :text],
          "chars" => ["Characters", :number],
          "words" => ["Words", :number],
          "unique_share" => ["Unique text", :share],
          "similarity" => ["Similarity", :share],
          "bytes" => ["Size", :bytes],
          "response_ms" => ["Time", :ms],
          "content_type" => ["Content type", :text],
          "title" => ["Title", :text],
          "titles" => ["Titles", :texts],
          "description" => ["Description", :text],
          "h1" => ["H1", :text],
          "headings" => ["H1s", :texts],
          "lang" => ["Language of the page", :text],
          "languages" => ["Languages", :texts],
          "code" => ["Language", :text],
          "canonical" => ["Its canonical", :url],
          "canonicals" => ["Canonicals", :urls],
          "html" => ["Canonical in the page", :urls],
          "header" => ["Canonical in the header", :urls],
          "chain" => ["By way of", :urls],
          "hops" => ["By way of", :urls],
          "final_url" => ["Ends at", :url],
          "source" => ["Made by", :text],
          "urls" => ["Pages", :urls],
          "pages" => ["Pages", :number],
          "targets" => ["Such links on the page", :number],
          "links_in" => ["Links in", :number],
          "importance" => ["Importance", :number],
          "depth" => ["Depth", :number],
          "entries" => ["Entries", :number],
          "before" => ["As sent", :text],
          "after" => ["After scripts", :text],
          "reachable" => ["robots.txt could be read", :text],
          "last_in_index" => ["Last in the index", :text],
          "clicks" => ["Clicks", :number],
          "impressions" => ["Impressions", :number],
          "position" => ["Position", :number]
        }.freeze
        # Links come first, then what is named above, then what the rule names.
        ORDER = ["links", *NAMES.keys].each_with_index.to_h.freeze
        # What a place on a page is called.
        PLACES = {
          "nav" => "navigation",
          "header" => "header",
          "main" => "main text",
          "aside" => "beside the text",
          "footer" => "footer"
        }.freeze

        module_function

        # @param rule [Class]
        # @param about [String, nil]
        # @param detail [Hash{String => Object}] as it is stored
        # @return [Array<Detail>]
        # @raise [KeyError] for a part of the detail that has no name
        def of(rule, about, detail)
          own = rule.details.keys
          parts =
            detail
              .sort_by { |key, _| ORDER[key] || (ORDER.size + own.index(key).to_i) }
              .flat_map { |key, value| (key == "links") ? links(value) : named(name_of(rule, key), value) }
          if about && rule.about
            parts.unshift(Detail.new(name: rule.about, kind: address?(about) ? :url : :text, value: about))
          end
          parts.reject { |part| part.value.nil? || part.value == [] || part.value == about && part.name != rule.about }
        end

        # @param rule [Class]
        # @param key [String] of its detail
        # @return [Array(String, Symbol)] the name and the kind of its value
        # @raise [KeyError] where neither has a name for it
        def name_of(rule, key) = NAMES.fetch(key) { rule.details.fetch(key) }

        def named((name, kind), value)
          case value
          when Hash
            [
              Detail.new(
                name: name,
                kind: :texts,
                value: value.map { |source, held| "#{source}: #{Array(held).join(" ")}" }
              )
            ]
          when true, false
            [Detail.new(name: name, kind: :text, value: value ? "yes" : "no")]
          when Array
            [Detail.new(name: name, kind: kind, value: value.map(&:to_s))]
          else
            [Detail.new(name: name, kind: (value.is_a?(Numeric) && kind == :urls) ? :number : kind, value: value)]
          end
        end

        # Links of the page to one target: what they read and where they stand. A number tells of links that aren't told
        # one by one.
        def links(links)
          return [Detail.new(name: "Links", kind: :number, value: links)] if links.is_a?(Integer)

          texts = links.map { |link| link["text"].to_s.empty? ? "(no text)" : link["text"] }.uniq
          places = links.filter_map { |link| PLACES[link["place"]] }.uniq
          [
            Detail.new(name: "Anchor text", kind: :texts, value: texts),
            Detail.new(name: "Place", kind: :texts, value: places),
            Detail.new(name: "Times", kind: :number, value: (links.size if links.size > 1))
          ]
        end

        def address?(text) = text.match?(%r{\Ahttps?://})

        private_class_method :named, :links, :address?
      end
    end
  end
end

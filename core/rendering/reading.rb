# frozen_string_literal: true

module IronTrellis
  module Core
    module Rendering
      # A rendered page read twice, as it was sent and as scripts left it, and what differs.
      class Reading
        # Scripts left something of these: what it was (`raw`) and what it is (`rendered`), each nil, a text, a number
        # or a list.
        Difference = Struct.new(:what, :raw, :rendered, keyword_init: true)

        # So much of the text has to come by scripts to be told.
        TEXT_SHARE = 0.2
        LEAST_WORDS = 20
        MOST_LISTED = 200
        MOST_KEPT = 5_000
        # What a page embeds, by what browsers call it when it is asked for.
        EMBEDDED = {"Script" => "script", "Stylesheet" => "style", "Image" => "image"}.freeze
        # A script that runs (other types are data), a handler of an event, or an address that is one.
        SCRIPTED =
          %r{<script\b(?![^>]*\btype\s*=\s*["']?(?!(?:text|application)/(?:x-)?(?:java|ecma)script|module)[a-z])|
            <[a-z][^>]*\son[a-z]+\s*=|["'=]\s*javascript:}inx
        UTF8 = "content-type: text/html; charset=utf-8"

        # @param header_lines [Array<String>] of an answer
        # @return [Array<String>] those of the document that a browser made of it, which is UTF-8 whatever was sent
        def self.as_utf8(header_lines) = header_lines.grep_v(/\Acontent-type\s*:/i) << UTF8

        # @return [Page::Facts, nil] as it was sent; nil where nothing could be read
        attr_reader :raw

        # @return [Page::Facts, nil] as scripts left it
        attr_reader :facts

        # @param rendered [Rendered]
        # @param agent [String] product token whose directives count
        # @param drop [Url::DroppedParameters, nil]
        def initialize(rendered, agent:, drop: nil)
          @rendered = rendered
          @agent = agent
          reader = Page::Reader.new(agent: agent, drop: drop)
          @url = Url::NormalForm.parse(rendered.document_url)
          @raw = reader.answered(@url, rendered.answer) if rendered.answer
          @facts = read(reader) if rendered.html
        end

        # @return [Array<Difference>] title, description, canonical, noindex, nofollow, h1, hreflang, links and text, as
        #   far as they differ
        def differences
          return [] unless @raw && @facts && scripts?

          @differences ||= [*of_values, of_hreflang, of_links, of_text].compact
        end

        # @param removed [Array<String>] addresses
        # @param added [Array<String>]
        # @return [Hash{Symbol => Object}] added and removed, and how many more there are than can be named
        def self.named(removed, added)
          more = [added, removed].sum { |some| [some.size - MOST_LISTED, 0].max }
          {added: added.first(MOST_LISTED), removed: removed.first(MOST_LISTED), **(more.zero? ? {} : {more: more})}
        end

        # @return [Rendered]
        attr_reader :rendered

        # @return [Hash{String => Array}] by what scripts changed, how it was and how it is
        def changes = differences.to_h { |one| [one.what, [one.raw, one.rendered]] }

        # @return [Hash{String => Object}, nil] how it lies on a phone; nil where that wasn't seen
        def on_phone = @rendered.layouts.find { |one| one.width == Layout::PHONE }&.as_json

        # @return [Hash{String => Object}] all that is kept of it besides its document, as JSON
        def as_json(*)
          {
            **@rendered.to_h.slice(:final_url, :agent, :width, :ended_by, :error, :error_detail, :timings, :console),
            requests: @rendered.requests.map(&:as_json),
            layouts: @rendered.layouts.map(&:as_json),
            changes: changes,
            links_by_script: links_by_script.first(MOST_LISTED),
            text_by_script: text_by_script.first(MOST_LISTED)
          }
        end

        # @return [Array<String>] addresses that are linked to only after scripts
        def links_by_script = @links_by_script ||= anchors(@facts) - anchors(@raw)

        # @return [Array<String>] blocks of text that are there only after scripts
        def text_by_script
          @text_by_script ||=
            begin
              sent = lines(@raw).to_h { |line| [line, true] }
              lines(@facts).reject { |line| sent.key?(line) }
            end
        end

        # What scripts and stylesheets asked for and robots.txt keeps from the crawler: the page embeds it all the same,
        # though no element says so.
        #
        # @param facts [Page::Facts] in which what elements embed is known already
        # @return [Array<Page::Link>]
        def lacked(facts = @raw)
          blocked = @rendered.requests.select { |one| one.outcome == Request::BLOCKED && EMBEDDED.key?(one.type) }
          types = blocked.to_h { |one| [Url::NormalForm.parse(one.url).to_s, EMBEDDED.fetch(one.type)] }
          known = (facts&.links || []).map(&:target)
          types.except(*known).map { |target, type| Page::Link.new(target, type, nil, nil, nil, true) }
        end

        private

        # In a page without any, two readers that take broken markup otherwise are no scripts.
        def scripts? =
          @rendered.moved_by_script? || @rendered.requests.any? { |one| one.type == "Script" } ||
            SCRIPTED.match?(@rendered.answer.body.to_s.b)

        # Where scripts lead to another address that is as good as a redirect.
        def read(reader)
          return moved if @rendered.moved_by_script?

          headers = self.class.as_utf8(@rendered.answer.header_lines)
          facts = reader.call(url: @url, header_lines: headers, body: @rendered.html.b)
          facts.links += lacked(facts)
          facts
        rescue Page::Unreadable
          nil
        end

        def moved
          target = Url::NormalForm.parse?(@rendered.final_url) or return @raw
          @raw&.dup&.tap do |facts|
            facts.refresh = Page::Refresh.new(target: target.to_s, seconds: 0, source: "script")
            facts.links += [Page::Link.new(target.to_s, "refresh", nil, nil, nil, true)]
          end
        end

        def of_values
          values = [@raw, @facts].map { |facts| values(facts) }
          values.first.keys.filter_map do |what|
            raw, now = values.map { |one| one[what] }
            Difference.new(what: what, raw: raw, rendered: now) unless raw == now
          end
        end

        def values(facts)
          told = facts.directives_for(@agent)
          {
            "title" => facts.title,
            "description" => facts.description,
            **told.slice(:canonical, :noindex, :nofollow).transform_keys(&:to_s),
            "h1" => facts.h1
          }
        end

        def of_hreflang
          raw, now = [@raw, @facts].map { |facts| facts.hreflang.map { |one| "#{one[:code]} #{one[:url]}" }.uniq.sort }
          Difference.new(what: "hreflang", raw: raw, rendered: now) unless raw == now
        end

        def of_links
          added = links_by_script
          gone = anchors(@raw) - anchors(@facts)
          return if added.empty? && gone.empty?

          Difference.new(what: "links", raw: gone.first(MOST_KEPT), rendered: added.first(MOST_KEPT))
        end

        def of_text
          words = Content::Words.count(text_by_script.join("\n"))
          return if words < LEAST_WORDS || words < TEXT_SHARE * @facts.words.to_i

          Difference.new(what: "text", raw: @raw.words.to_i, rendered: @facts.words.to_i)
        end

        def anchors(facts) = (facts&.links || []).select { |link| link.type == "anchor" }.map(&:target).uniq

        def lines(facts) = (facts&.text || "").split("\n")
      end
    end
  end
end

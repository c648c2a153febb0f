# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # Turns what was fetched into rows of the tables that hold the facts of a crawl.
      class FactsRows
        # What the store knows besides of what was observed (Core::Page::Observations) and extracted (Registry).
        OWN = %w[crawl_id url_id fetched_at redirect_to_id refresh_to_id kind bytes].freeze
        OBSERVED = (Core::Page::Observations.names + Core::Page::Registry.names).map(&:to_s).freeze
        COLUMNS = {
          "page_facts" => OWN + OBSERVED,
          "raw_answers" => %w[crawl_id url_id header_lines body],
          "page_blocks" => %w[crawl_id url_id texts frames menus anchors anchor_targets],
          "links" => %w[crawl_id position source_id target_id type place followed internal rel text px]
        }.freeze
        TYPES = Core::Page::Link.types.each_with_index.to_h.freeze
        PLACES = Core::Page::Link.places.each_with_index.to_h.freeze
        # What is told of an anchor besides its lines, a bit each.
        ANCHORS = {sole: 1, heading: 2}.freeze
        # No page for people has more; what lists more is cut here.
        MOST_LINKS = 50_000

        # @param crawl [Crawling::Crawl]
        # @param ids [Crawling::UrlIds]
        # @param now [#call] gives the time
        def initialize(crawl, ids:, now:)
          @crawl_id = crawl.id
          @agent = crawl.crawl_settings.agent
          @ids = ids
          @now = now
        end

        # @param outcomes [Array<Core::Crawling::Outcome>]
        # @return [Hash{String => Array<Array>}] by table, values in the order of COLUMNS
        def call(outcomes)
          {
            "page_facts" => outcomes.map { |outcome| facts(outcome) },
            "raw_answers" => outcomes.select(&:fetched?).map { |outcome| raw(outcome) },
            "page_blocks" => outcomes.filter_map { |outcome| blocks(outcome) },
            "links" => outcomes.flat_map { |outcome| links(outcome) }
          }
        end

        private

        def facts(outcome)
          seen = Core::Page::Seen.new(outcome, @agent)
          extracted = Core::Page::Registry.names.map { |name| kept(seen.read&.[](name)) }
          Core::Content::Cut.deep(own(outcome, seen) + Core::Page::Observations.of(seen) + extracted)
        end

        def own(outcome, seen) =
          [
            @crawl_id,
            outcome.item.id,
            outcome.answer && @now.call,
            seen.redirect_to && @ids.of(seen.redirect_to),
            seen.refresh && @ids.of(seen.refresh.target),
            kind(outcome),
            bytes(outcome)
          ]

        def filled(values) = values&.any? ? values : nil

        def kept(value) = value.is_a?(Enumerable) ? filled(value) : value

        # What was asked about by HEAD says its size itself, if at all.
        def bytes(outcome)
          answer = outcome.answer
          return nil if answer.nil? || answer.error

          size = answer.body.to_s.bytesize
          size = answer.headers.first("content-length")&.to_i if size.zero? && outcome.item.head?
          size
        end

        # What was only asked about by HEAD, or not at all, is known by how it is embedded.
        def kind(outcome)
          return outcome.facts.kind if outcome.facts&.content_type

          (outcome.item.purpose == Crawling::Frontier::PURPOSES[:resource]) ? "image" : nil
        end

        # Bodies and texts are compressed by PostgreSQL, whose LZ4 costs a tenth of what deflating them here would.
        def raw(outcome)
          body = outcome.answer.body.to_s
          [@crawl_id, outcome.item.id, outcome.answer.header_lines.join("\n"), body.empty? ? nil : body]
        end

        def blocks(outcome)
          text = outcome.facts&.text
          return if text.nil? || text.empty?

          anchors =
            (outcome.facts.anchors || []).select do |anchor|
              @ids.of(anchor.target) != outcome.item.id && @ids.internal?(anchor.target)
            end
          [
            @crawl_id,
            outcome.item.id,
            text,
            filled(outcome.facts.frames),
            filled(outcome.facts.menus),
            filled(anchors.flat_map { |anchor| place(anchor) }),
            filled(anchors.map { |anchor| @ids.of(anchor.target) })
          ]
        end

        def place(anchor) =
          [anchor.from, anchor.to, (anchor.sole ? ANCHORS[:sole] : 0) | (anchor.heading ? ANCHORS[:heading] : 0)]

        def links(outcome)
          links = outcome.facts&.links || []
          links = links.first(MOST_LINKS) if links.size > MOST_LINKS
          links += [Core::Page::Link.new(outcome.redirect_to, "redirect", nil, nil, nil, true)] if outcome.redirect_to
          source = outcome.item.id
          links.each_with_index.map do |link, position|
            target = link.target
            [
              @crawl_id,
              position,
              source,
              @ids.of(target),
              TYPES[link.type],
              PLACES[link.place],
              link.followed,
              @ids.internal?(target),
              Core::Content::Cut.deep(link.rel),
              Core::Content::Cut.deep(link.text),
              link.px
            ]
          end
        end
      end
    end
  end
end

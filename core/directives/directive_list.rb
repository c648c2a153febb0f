# frozen_string_literal: true

module IronTrellis
  module Core
    module Directives
      # Writes out what has to be done so that each page says what is wanted of it: which tag, header or line of
      # robots.txt, why, and in which order. A noindex behind a block in robots.txt is never seen, so the block is
      # lifted first and set again, if at all, when the index has let the page go.
      class DirectiveList
        # One URL as it is. `chosen` is the canonical that was chosen for it, nil where none was; `follow` is false
        # where its links shall not be followed.
        Page =
          Struct.new(
            :url,
            :group,
            :kind,
            :intent,
            :wanted,
            :allowed,
            :robots_line,
            :robots_rule,
            :direct,
            :noindex,
            :noindex_where,
            :nofollow,
            :follow,
            :canonical,
            :chosen,
            :climbs,
            keyword_init: true
          )
        # `step` orders them in time (1 first); `where` is html, header or robots.txt; `action` add or remove; `text`
        # what is to be written or taken out, exactly. `warning` is what else was decided that says the opposite, and
        # which of the two to choose; nil where nothing does.
        Item = Struct.new(:step, :url, :group, :where, :action, :text, :reason, :warning, keyword_init: true)
        DISAGREE =
          "It shall be kept out, too, and a noindex beside a canonical to another page says the opposite: that page " \
          "would be told of one that isn't to be indexed. " \
            "Choose the canonical where what this page has earned shall go to the other, and the noindex where it " \
            "shall go to nobody; undo the other decision."
        DISAGREES_NOW =
          "The page says noindex, and a noindex beside a canonical to another page says the opposite: take the " \
          "noindex out, or undo the choice of the canonical."

        UNBLOCK = 1
        CHANGE = 2
        BLOCK = 3

        # @param pages [Array<Page>]
        # @return [Array<Item>] in the order in which they have to be done
        def self.of(pages) =
          pages.flat_map { |page| new(page).call }.sort_by.with_index { |item, place| [item.step, place] }

        # @param page [Page]
        def initialize(page)
          @page = page
        end

        # @return [Array<Item>]
        def call = [unblock, index, links, canonical].compact

        private

        def html? = @page.kind == "html"

        def unblock
          return if @page.allowed != false

          if @page.wanted
            robots("It should be indexed, and crawlers may not fetch it.")
          elsif @page.intent == "keep_out" && @page.noindex
            robots("Its noindex is never seen behind the block; lift it until the index has let the page go.")
          end
        end

        def robots(reason) =
          item(
            UNBLOCK,
            "robots.txt",
            "remove",
            @page.robots_rule.to_s,
            @page.robots_line ? "#{reason} Line #{@page.robots_line}." : reason
          )

        def index
          if @page.wanted && @page.noindex
            where = @page.noindex_where.to_s.match?(/header/i) ? "header" : "html"
            item(
              CHANGE,
              where,
              "remove",
              (where == "header") ? "X-Robots-Tag: noindex" : '<meta name="robots" content="noindex">',
              "It should be indexed, and says noindex#{" in #{@page.noindex_where}" if @page.noindex_where}."
            )
          elsif @page.intent == "keep_out" && @page.direct && !@page.noindex && @page.allowed != false && !diverted?
            if html?
              item(CHANGE, "html", "add", robots_meta(noindex: true), "It shall be kept out.")
            else
              item(
                CHANGE,
                "header",
                "add",
                "X-Robots-Tag: noindex",
                "It shall be kept out, and only a header can say so of a #{@page.kind}."
              )
            end
          end
        end

        def links
          return if @page.follow.nil? || !html? || !@page.direct || @page.follow == !@page.nofollow
          # The tag that keeps it out says both.
          return if @page.intent == "keep_out" && !@page.noindex && !@page.follow

          if @page.follow
            item(CHANGE, "html", "remove", '<meta name="robots" content="nofollow">', "Its links shall be followed.")
          else
            item(CHANGE, "html", "add", robots_meta(noindex: @page.noindex), "Its links shall not be followed.")
          end
        end

        def robots_meta(noindex:)
          words = [("noindex" if noindex), ("nofollow" if @page.follow == false)].compact
          %(<meta name="robots" content="#{words.join(", ")}">)
        end

        def canonical
          return if @page.chosen.nil? || @page.chosen == @page.canonical || !@page.direct

          text =
            (
              if html?
                %(<link rel="canonical" href="#{Sitemaps::Xml.escape(@page.chosen)}">)
              else
                %(Link: <#{@page.chosen}>; rel="canonical")
              end
            )
          item(
            CHANGE,
            html? ? "html" : "header",
            "add",
            text,
            (
              if @page.canonical
                "Another URL was chosen to stand for it than #{@page.canonical}."
              else
                "A URL was chosen to stand for it."
              end
            ),
            warning: disagreement
          )
        end

        # Whether another page was chosen to stand for it.
        def diverted? = ![nil, @page.url].include?(@page.chosen)

        def disagreement
          return unless diverted?
          return DISAGREE if @page.intent == "keep_out"

          DISAGREES_NOW if @page.noindex
        end

        def item(step, where, action, text, reason, warning: nil) =
          Item.new(
            step: step,
            url: @page.url,
            group: @page.group,
            where: where,
            action: action,
            text: text,
            reason: reason,
            warning: warning
          )
      end
    end
  end
end

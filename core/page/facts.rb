# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # What was read in one answer. Lists are empty and the rest nil where a kind of document hasn't it. What stands
      # alone in a document is read by an extractor each (Registry): lang: "en", description: "…", …
      #
      #   kind: "html", content_type: "text/html", charset: "UTF-8", titles: ["Anchor lights"], h1: ["Anchor lights"],
      #   text: "Anchor lights\nHung forward …" (a block a line), words: 412, directives: [Directives::Directive],
      #   canonical: Canonicals::Reading, hreflang: [{code:, url:, source:}], refresh: Page::Refresh, links:
      #   [Page::Link], images: 3, images_without_alt: 1, frames: [0, 4] (lines of the text, from and to by turns, that
      #   are no main text), menus: [2] (lines that are nothing but links), anchors: [AnchorLines::Anchor] (of the main
      #   text), data: [StructuredData::Item], data_problems: ["JSON-LD 1: it is empty"]
      Facts =
        Struct.new(
          :kind,
          :content_type,
          :charset,
          :titles,
          :h1,
          :text,
          :words,
          :directives,
          :canonical,
          :hreflang,
          :refresh,
          :links,
          :images,
          :images_without_alt,
          :frames,
          :menus,
          :anchors,
          :data,
          :data_problems,
          *Registry.names,
          keyword_init: true
        ) do
          # @return [String, nil] the first title, white space folded
          def title = titles.first

          # @param agent [String]
          # @return [Hash{Symbol => Object}] what it tells the index of that agent: noindex, nofollow, canonical (nil
          #   where none counts)
          def directives_for(agent)
            resolved = Directives::Resolved.new(directives, agent)
            {noindex: resolved.noindex?, nofollow: resolved.nofollow?, canonical: canonical&.url}
          end
        end
    end
  end
end

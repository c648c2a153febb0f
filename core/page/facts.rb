# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # What was read in one answer. Lists are empty and the rest nil where a kind of document hasn't it.
      #
      #   kind: "html", content_type: "text/html", charset: "UTF-8", lang: "en", titles: ["Anchor lights"], description:
      #   "…", h1: ["Anchor lights"], text: "Anchor lights\nHung forward …" (a block a line), words: 412, directives:
      #   [Directives::Directive], canonical: Canonicals::Reading, hreflang: [{code:, url:, source:}], refresh:
      #   Page::Refresh, links: [Page::Link], images: 3, images_without_alt: 1, frames: [0, 4] (lines of the text, from
      #   and to by turns, that are no main text), menus: [2] (lines that are nothing but links), anchors:
      #   [AnchorLines::Anchor] (of the main text), viewport: "width=device-width", outline: [[1, "Anchor lights"]],
      #   open_graph: {"og:type" => "product"}, data: [StructuredData::Item], data_problems: ["JSON-LD 1: it is empty"],
      #   password: false (whether it asks for one), contacts: [["Skerry Lamps", "Tel. 01632 960031"]]
      #   (StructuredData::ContactLines)
      Facts =
        Struct.new(
          :kind,
          :content_type,
          :charset,
          :lang,
          :titles,
          :description,
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
          :viewport,
          :outline,
          :open_graph,
          :data,
          :data_problems,
          :password,
          :contacts,
          keyword_init: true
        ) do
          # @return [String, nil] the first title, white space folded
          def title = titles.first
        end
    end
  end
end

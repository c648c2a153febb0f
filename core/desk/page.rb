# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # The words of one page, element by element: `texts` holds a list of texts for each of ELEMENTS; besides its
      # language (as it says, or as its words seem to be), number of words, images, links, headings and bytes, and how
      # long its first byte took (nil where it wasn't asked for). `outline` holds level and text of each heading,
      # `pictures` address and alt text of each image (nil where it has none), `figures` more of each: its "url", the
      # "shown" size (width and height as the page asks for them), its "caption", the "heading" above it, and where it
      # was fetched its "bytes", "drawn" size and "text" (of an SVG). `places` tell the line of the source on which the
      # title, the description and the first H1 stand, `status` what the answer was (nil of a file, which has no address
      # among its texts either).
      Page =
        Struct.new(
          :source,
          :language,
          :texts,
          :words,
          :images,
          :links,
          :bytes,
          :first_byte_ms,
          :outline,
          :pictures,
          :places,
          :figures,
          :status,
          keyword_init: true
        ) do
          # @param fields [Hash{String => Object}] as #as_json gives it
          # @return [Page]
          def self.of(fields) = new(**fields.transform_keys(&:to_sym))

          # @return [Hash{String => Object}] as JSON has it
          def as_json(*) = to_h.transform_keys(&:to_s)

          # @param element [String]
          # @return [Array<String>]
          def of(element) = texts.fetch(element, [])

          # @return [String, nil]
          def title = of("title").first

          # @return [String, nil]
          def description = of("description").first

          # @return [Array<String>]
          def h1 = of("h1")

          # @return [Integer]
          def headings = of("headings").size
        end
      # Where words can stand, in the order in which they are shown.
      Page.const_set(
        :ELEMENTS,
        %w[title description headings text emphasis keywords alt links_out links_in address].freeze
      )
    end
  end
end

# frozen_string_literal: true

require "fastimage"
require "nokogiri"
require "stringio"

module IronTrellis
  module Ports
    # What can be told of a picture by its bytes.
    module Pictures
      SVG = /<svg\b/i
      MOST_TEXT = 500
      # What weighs more isn't kept for looking at.
      MOST_PREVIEW = 100_000
      TYPES = {svg: "svg+xml"}.merge(%i[png jpeg gif webp avif].to_h { |type| [type, type.to_s] }).freeze

      module_function

      # @param bytes [String]
      # @return [Hash{String => Object}] bytes, drawn (width and height, nil where that can't be told), text (what
      #   stands in an SVG; nil for other pictures, in which nothing can be read) and preview (the picture itself as a
      #   data: URL, in which nothing runs and nothing is loaded; nil where it is too heavy or none that browsers draw)
      def facts(bytes)
        svg = bytes[0, 4_096].to_s.b.match?(SVG)
        {
          "bytes" => bytes.bytesize,
          "drawn" => FastImage.size(StringIO.new(bytes)),
          "text" => svg ? text(bytes) : nil,
          "preview" => preview(bytes)
        }
      end

      def preview(bytes)
        type = TYPES[FastImage.type(StringIO.new(bytes))]
        "data:image/#{type};base64,#{[bytes].pack("m0")}" if type && bytes.bytesize <= MOST_PREVIEW
      end
      private_class_method :preview

      def text(bytes) =
        Nokogiri.XML(bytes).xpath("//*[local-name() = 'text' or local-name() = 'title' or local-name() = 'desc']")
          .map { |node| node.text.split.join(" ") }.reject(&:empty?).uniq.join("; ")[0, MOST_TEXT]
      private_class_method :text
    end
  end
end

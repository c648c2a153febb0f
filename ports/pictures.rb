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

      module_function

      # @param bytes [String]
      # @return [Hash{String => Object}] bytes, drawn (width and height, nil where that can't be told) and text (what
      #   stands in an SVG; nil for other pictures, in which nothing can be read)
      def facts(bytes)
        svg = bytes[0, 4_096].to_s.b.match?(SVG)
        {
          "bytes" => bytes.bytesize,
          "drawn" => FastImage.size(StringIO.new(bytes)),
          "text" => svg ? text(bytes) : nil
        }
      end

      def text(bytes) =
        Nokogiri.XML(bytes).xpath("//*[local-name() = 'text' or local-name() = 'title' or local-name() = 'desc']")
          .map { |node| node.text.split.join(" ") }.reject(&:empty?).uniq.join("; ")[0, MOST_TEXT]
      private_class_method :text
    end
  end
end

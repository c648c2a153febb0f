# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # How wide a text is on a result page, which cuts titles and descriptions at a width (common practice): the sum of
      # the widths of its signs in a sans serif with the metrics of Arial.
      module Pixels
        # Of signs that the font hasn't; ideographs are as wide as they are high.
        UNKNOWN = 1139
        WIDE = /[\p{Han}\p{Hiragana}\p{Katakana}\p{Hangul}]/
        NO_WIDTH = /[\p{Mn}\p{Cf}]/
        # Sizes of result pages in pixels (common practice); where they cut is a limit of the site.
        TITLE_SIZE = 20
        DESCRIPTION_SIZE = 14

        module_function

        # @param text [String]
        # @param size [Numeric] of the font, in pixels
        # @return [Float] pixels
        #   Pixels.width("Anchor", 20).round # => 63
        def width(text, size) = text.each_char.sum { |sign| of(sign) } * size / SansWidths::EM.to_f

        # @param text [String]
        # @param size [Numeric]
        # @param most [Numeric] pixels
        # @return [String] as much of it as is shown, with an ellipsis where it is cut, between words
        def cut(text, size, most)
          return text if width(text, size) <= most

          room = most - width(" …", size)
          shown = +""
          text.each_char do |sign|
            break if width(shown + sign, size) > room

            shown << sign
          end
          "#{shown.sub(/\s+\S*\z/, "")} …"
        end

        def of(sign)
          return 0 if NO_WIDTH.match?(sign)

          SansWidths::ALL.fetch(sign.ord) { WIDE.match?(sign) ? SansWidths::EM : UNKNOWN }
        end
        private_class_method :of
      end
    end
  end
end

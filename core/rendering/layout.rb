# frozen_string_literal: true

module IronTrellis
  module Core
    module Rendering
      # How a page lies in a window of a `width`: how wide its content is (`content`), the smallest size of its text
      # (`smallest_text`, nil where it has none) and how many of its signs are smaller than SMALL_TEXT (`small_signs` of
      # `signs`), how many `targets` there are to tap, and how many of them are `small_targets`; all sizes in CSS
      # pixels.
      Layout =
        Struct.new(
          :width,
          :content,
          :smallest_text,
          :small_signs,
          :signs,
          :targets,
          :small_targets,
          keyword_init: true
        ) do
          # @return [Boolean] whether one must scroll sideways; a pixel may be rounding
          # @example
          #   Layout.new(width: 390, content: 391).too_wide? # => false
          def too_wide? = content > width + 1

          # @return [Boolean] whether more than a tenth of the text is too small to be read (common practice)
          def too_small? = signs.to_i.positive? && small_signs > signs * self.class::SHARE

          # @return [Hash{String => Object}] as JSON has it
          def as_json(*) = to_h.transform_keys(&:to_s)
        end
      # Smaller text has to be zoomed on a phone (common practice).
      Layout.const_set(:SMALL_TEXT, 12)
      Layout.const_set(:SHARE, 0.1)
      # Targets to tap are at least so wide and high (WCAG 2.2, success criterion 2.5.8).
      Layout.const_set(:TARGET, 24)
      Layout.const_set(:DESK, 1280)
      Layout.const_set(:PHONE, 390)
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # One link found on a page. `target` is absolute and in normal form; `text` is the anchor or alt text (nil
      # where there is none); `rel` is kept as written, lower case; `place` is the nearest landmark around it.
      # Made by position, since a page has many and keywords cost as much as the rest of a link.
      Link = Struct.new(:target, :type, :text, :rel, :place, :followed)

      class << Link
        TYPES = %w[anchor image script style frame canonical hreflang redirect refresh next prev form].freeze
        PLACES = %w[nav header main aside footer].freeze

        # @return [Array<String>] every link type; its index is the number it is stored under
        def types = TYPES

        # @return [Array<String>] every place; its index is the number it is stored under
        def places = PLACES
      end
    end
  end
end

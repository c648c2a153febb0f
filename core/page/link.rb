# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # One link found on a page. `target` is absolute and in normal form; `text` is the anchor or alt text (nil
      # where there is none); `rel` is kept as written, lower case; `place` is the nearest landmark around it.
      # `px` is the larger of the width and the height in which an image is shown, where its element gives both.
      # Made by position, since a page has many and keywords cost as much as the rest of a link.
      Link = Struct.new(:target, :type, :text, :rel, :place, :followed, :px)

      class << Link
        TYPES = %w[anchor image script style frame canonical hreflang redirect refresh next prev form].freeze
        PLACES = %w[nav header main aside footer].freeze

        # @return [Array<String>] every link type; its index is the number it is stored under
        def types = TYPES

        # @return [Array<String>] every place; its index is the number it is stored under
        def places = PLACES

        # @param reference [String, nil] as written
        # @param resolver [Url::Resolver]
        # @return [String, nil] where it leads; nil where that is no http(s) URL, or one too long to be asked for
        def target(reference, resolver)
          target = reference && resolver.call(reference)
          target if target && target.bytesize <= Url::Resolver::MAX_BYTES
        end
      end
    end
  end
end

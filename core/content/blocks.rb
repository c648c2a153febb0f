# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # The visible text of a page as its blocks: paragraphs, headings, list items, cells, captions, in order.
      # It works on serialised HTML, whose form is known (attributes in double quotes, text escaped), because that
      # costs a tenth of walking the tree.
      module Blocks
        COMMENT = /<!--.*?-->/m
        REST_OF_TAG = '(?=[\s>/])[^">]*+(?:"[^"]*+"[^">]*+)*+>'
        INLINE = "a|abbr|acronym|b|bdi|bdo|big|cite|code|data|del|dfn|em|font|i|ins|kbd|label|mark|q|s|samp|small|span|" \
          "strike|strong|sub|sup|time|tt|u|var|wbr|[a-z]+-[a-z0-9-]+"
        INLINE_TAG = %r{</?(?:#{INLINE})#{REST_OF_TAG}}
        IMAGE_TAG = /<(?:img|input)#{REST_OF_TAG}/
        OTHER_TAG = %r{</?[a-zA-Z][^">]*+(?:"[^"]*+"[^">]*+)*+>}
        ENTITIES = {"&amp;" => "&", "&lt;" => "<", "&gt;" => ">", "&nbsp;" => " ", "&quot;" => '"'}.freeze
        ENTITY = Regexp.union(ENTITIES.keys)
        WIDE_SPACES = "\u0085\u00A0\u1680\u2000-\u200A\u2028\u2029\u202F\u205F\u3000"

        module_function

        # @param html [String] the serialised inside of body, without scripts and styles
        # @return [Array<String>] texts with white space folded, none empty
        def of(html)
          html = html.gsub(COMMENT, "") if html.include?("<!--")
          # Only a tag that breaks the line makes a block; NUL can't stand in a parsed document.
          text = html.gsub(INLINE_TAG, "").gsub(IMAGE_TAG, " ").gsub(OTHER_TAG, "\0")
          text = text.gsub(ENTITY, ENTITIES) if text.include?("&")
          fold(text).split("\0").map(&:strip).reject(&:empty?)
        end

        def fold(text)
          text = text.tr(WIDE_SPACES, " ") unless text.ascii_only?
          text.tr("\t-\r", " ").squeeze(" ")
        end
        private_class_method :fold
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # The visible text of a page by its blocks: paragraphs, headings, list items, cells, captions, one a line.
      module Blocks
        # Parts blocks while text is gathered; it can't stand in a parsed document.
        BREAK = "\0"
        ENTITIES = {"&amp;" => "&", "&lt;" => "<", "&gt;" => ">", "&nbsp;" => " ", "&quot;" => '"'}.freeze
        ENTITY = Regexp.union(ENTITIES.keys)
        WIDE_SPACES = "\u0085\u00A0\u1680\u2000-\u200A\u2028\u2029\u202F\u205F\u3000"

        module_function

        # White space is folded byte by byte: over characters each step would first look through the whole text.
        #
        # @param text [String] escaped as serialised HTML is, blocks parted by BREAK; it is taken over
        # @return [String] UTF-8: one block a line, white space folded, no line empty
        #   Blocks.tidy(+"One  two\0\0 three &amp; four") # => "One two\nthree & four"
        def tidy(text)
          text = unescape(text.force_encoding(Encoding::UTF_8))
          text = text.tr(WIDE_SPACES, " ") unless text.ascii_only?
          trim(text.force_encoding(Encoding::BINARY).tr("\0\t-\r", "\n ").squeeze(" \n")).force_encoding(
            Encoding::UTF_8
          )
        end

        # Serialised HTML knows only these character references.
        #
        # @param text [String]
        # @return [String]
        def unescape(text) = text.include?("&") ? text.gsub(ENTITY, ENTITIES) : text

        def trim(lines)
          lines = lines.gsub(" \n", "\n") if lines.include?(" \n")
          lines = lines.gsub("\n ", "\n") if lines.include?("\n ")
          lines = lines.squeeze("\n") if lines.include?("\n\n")
          lines.strip
        end
        private_class_method :trim
      end
    end
  end
end

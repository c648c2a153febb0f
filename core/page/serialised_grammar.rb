# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # The form of serialised HTML, as far as a body is read of it (HTML standard, "serializing HTML fragments").
      module SerialisedGrammar
        ATTRIBUTES = '([^">]*+(?:"[^"]*+"[^">]*+)*+)>'
        # An attribute's value, wherever it stands; the attributes before it are passed over whole, so that nothing
        # inside a value is taken for one.
        VALUE = '(?:\s+(?!%<name>s=)[^\s=">]+(?:="[^"]*+")?)*+\s+%<name>s="([^"]*)"'
        ANCHOR = "a(?=[\\s>])(?:(?=#{format(VALUE, name: "href")}))?(?:(?=#{format(VALUE, name: "rel")}))?()"
        SPECIAL = '(/?(?:a|area|img|input|source|form|h[1-6]|nav|header|main|aside|footer)(?=[\s>]))'
        # Elements within a line of text, and those without any; all others part words, and blocks.
        INLINE =
          "/?(?:a|abbr|acronym|b|bdi|bdo|big|cite|code|data|del|dfn|em|font|i|ins|kbd|label|link|mark|meta|" \
          "noscript|q|s|samp|script|small|span|" \
            'strike|strong|style|sub|sup|time|tt|u|var|wbr|[a-z]+-[a-z0-9-]+)(?=[\s>])()'
        COMMENT = "(?m:!--.*?--)()"
        TAG = %r{<(?:#{ANCHOR}|#{SPECIAL}|(?=/?[abcdefiklmnqstuvw])#{INLINE}|(?=!)#{COMMENT}|)#{ATTRIBUTES}}n
        ANY_TAG = %r{<(?:!--.*?--|/?[a-zA-Z])#{ATTRIBUTES}}mn
        IMAGE_WITH_ALT = /<img(?=[\s>])#{format(VALUE, name: "alt")}/n
        SRCSET_URL = /(?:\A|,)\s*([^\s,]\S*[^\s,])/
        READERS =
          %w[href src srcset alt rel action method type width height]
            .to_h { |name| [name, /\A#{format(VALUE, name: name)}/] }
            .freeze
      end
    end
  end
end

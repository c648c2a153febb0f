# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # Bytes that somebody else wrote, as text: UTF-8, and what isn't as windows-1252, which programs write most often
      # that don't write UTF-8 (RFC 9110 section 5.5 has ISO 8859-1 for fields of HTTP, of which it has the letters).
      module Readable
        WESTERN = Encoding::Windows_1252
        UNKNOWN = {invalid: :replace, undef: :replace, replace: "\uFFFD"}.freeze

        module_function

        # @param bytes [String] in any encoding
        # @return [String] valid UTF-8
        #   Readable.of("caf\xE9".b) # => "café"
        def of(bytes)
          text = (bytes.encoding == Encoding::UTF_8) ? bytes : bytes.dup.force_encoding(Encoding::UTF_8)
          text.valid_encoding? ? text : text.scrub { |odd| odd.encode(Encoding::UTF_8, WESTERN, **UNKNOWN) }
        end
      end
    end
  end
end

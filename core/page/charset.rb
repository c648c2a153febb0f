# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Which encoding a page is in, and its text as UTF-8: byte order mark, then the header, then a meta element in the
      # first 1024 bytes, then windows-1252 unless it is valid UTF-8 (HTML standard, "determining the character
      # encoding"; guessing UTF-8 first is what the standard allows at its last step).
      module Charset
        MARKS = {"\xEF\xBB\xBF".b => "UTF-8", "\xFE\xFF".b => "UTF-16BE", "\xFF\xFE".b => "UTF-16LE"}.freeze

        module_function

        # @param body [String] bytes
        # @param header_charset [String, nil] of the Content-Type header
        # @return [Array(String, String)] the text as valid UTF-8, and the name of the encoding it came in
        def decode(body, header_charset)
          mark = MARKS.keys.find { |one| body.start_with?(one) }
          return [convert(body.byteslice(mark.bytesize..), MARKS[mark]), MARKS[mark]] if mark

          name = EncodingLabels.find(header_charset) || EncodingLabels.find(declared(body)) || guess(body)
          [convert(body, name), name]
        end

        # A meta element can't be read in UTF-16, so one that says so is taken for UTF-8; x-user-defined means
        # windows-1252.
        def declared(body)
          label = Prescan.new(body).call
          return "utf-8" if label&.match?(/\Autf-?16/i)

          label&.casecmp?("x-user-defined") ? "windows-1252" : label
        end

        def guess(body) = body.dup.force_encoding(Encoding::UTF_8).valid_encoding? ? "UTF-8" : "Windows-1252"

        def convert(body, name)
          text = body.dup.force_encoding(name)
          return text.valid_encoding? ? text : text.scrub("\uFFFD") if text.encoding == Encoding::UTF_8

          text.encode(Encoding::UTF_8, invalid: :replace, replace: "\uFFFD", fallback: method(:unassigned))
        rescue EncodingError
          body.dup.force_encoding(Encoding::UTF_8).scrub("\uFFFD")
        end

        # The standard's tables have the control characters where those of the encodings' makers have gaps.
        def unassigned(character)
          byte = character.getbyte(0)
          (character.bytesize == 1 && byte.between?(0x80, 0x9F)) ? [byte].pack("U") : "\uFFFD"
        end
        private_class_method :declared, :guess, :convert, :unassigned
      end
    end
  end
end

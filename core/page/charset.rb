# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Which encoding a page is in, and its text as UTF-8: byte order mark, then the header, then a meta element in the first
      # 1024 bytes, then windows-1252 unless it is valid UTF-8 (HTML standard, "determining the character encoding";
      # guessing UTF-8 first is what the standard allows at its last step).
      module Charset
        MARKS = {"\xEF\xBB\xBF".b => "UTF-8", "\xFE\xFF".b => "UTF-16BE", "\xFF\xFE".b => "UTF-16LE"}.freeze
        # Labels that mean another encoding than their name says (WHATWG Encoding, "names and labels").
        LABELS = {"iso-8859-1" => "Windows-1252", "iso8859-1" => "Windows-1252", "latin1" => "Windows-1252", "l1" => "Windows-1252", "us-ascii" => "Windows-1252",
                  "ascii" => "Windows-1252", "cp1252" => "Windows-1252", "x-cp1252" => "Windows-1252", "iso-8859-9" => "Windows-1254", "latin5" => "Windows-1254",
                  "iso-8859-11" => "Windows-874", "tis-620" => "Windows-874", "gb2312" => "GB18030", "gb_2312-80" => "GB18030", "gbk" => "GB18030", "x-gbk" => "GB18030",
                  "shift_jis" => "Windows-31J", "shift-jis" => "Windows-31J", "sjis" => "Windows-31J", "x-sjis" => "Windows-31J", "ms932" => "Windows-31J",
                  "ks_c_5601-1987" => "CP949", "euc-kr" => "CP949", "korean" => "CP949", "big5" => "Big5-UAO", "utf8" => "UTF-8", "unicode-1-1-utf-8" => "UTF-8",
                  "utf-16" => "UTF-16LE"}.freeze

        module_function

        # @param body [String] bytes
        # @param header_charset [String, nil] of the Content-Type header
        # @return [Array(String, String)] the text as valid UTF-8, and the name of the encoding it came in
        def decode(body, header_charset)
          mark = MARKS.keys.find { |one| body.start_with?(one) }
          return [convert(body.byteslice(mark.bytesize..), MARKS[mark]), MARKS[mark]] if mark

          name = known(header_charset) || known(declared(body)) || guess(body)
          [convert(body, name), name]
        end

        # A meta element can't be read in UTF-16, so one that says so is taken for UTF-8; x-user-defined means windows-1252.
        def declared(body)
          label = Prescan.new(body).call
          return "utf-8" if label&.match?(/\Autf-?16/i)

          label&.casecmp?("x-user-defined") ? "windows-1252" : label
        end

        def known(label)
          label = label.to_s.strip
          return nil if label.empty?

          Encoding.find(LABELS.fetch(label.downcase, label)).then { |encoding| encoding.name unless encoding.dummy? }
        rescue ArgumentError
          nil
        end

        def guess(body) = body.dup.force_encoding(Encoding::UTF_8).valid_encoding? ? "UTF-8" : "Windows-1252"

        def convert(body, name)
          text = body.dup.force_encoding(name)
          return text.valid_encoding? ? text : text.scrub("\uFFFD") if text.encoding == Encoding::UTF_8

          text.encode(Encoding::UTF_8, invalid: :replace, undef: :replace, replace: "\uFFFD")
        rescue EncodingError
          body.dup.force_encoding(Encoding::UTF_8).scrub("\uFFFD")
        end
        private_class_method :declared, :known, :guess, :convert
      end
    end
  end
end

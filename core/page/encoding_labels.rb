# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # The labels by which pages name their encoding, and what each means (WHATWG Encoding, "names and labels"), by
      # Ruby's names. Some mean another encoding than they say. Ruby has no windows-1258; the standard's "replacement"
      # labels name none that may be read.
      module EncodingLabels
        NAMES =
          {
            "Big5-HKSCS" => %w[big5 big5-hkscs cn-big5 csbig5 x-x-big5],
            "CP949" => %w[
              cseuckr
              csksc56011987
              euc-kr
              iso-ir-149
              korean
              ks_c_5601-1987
              ks_c_5601-1989
              ksc5601
              ksc_5601
              windows-949
            ],
            "eucJP-ms" => %w[cseucpkdfmtjapanese euc-jp x-euc-jp],
            "GB18030" => %w[chinese csgb2312 csiso58gb231280 gb18030 gb2312 gb_2312 gb_2312-80 gbk iso-ir-58 x-gbk],
            "IBM866" => %w[866 cp866 csibm866 ibm866],
            "ISO-2022-JP" => %w[csiso2022jp iso-2022-jp],
            "ISO-8859-10" => %w[csisolatin6 iso-8859-10 iso-ir-157 iso8859-10 iso885910 l6 latin6],
            "ISO-8859-13" => %w[iso-8859-13 iso8859-13 iso885913],
            "ISO-8859-14" => %w[iso-8859-14 iso8859-14 iso885914],
            "ISO-8859-15" => %w[csisolatin9 iso-8859-15 iso8859-15 iso885915 iso_8859-15 l9],
            "ISO-8859-16" => %w[iso-8859-16],
            "ISO-8859-2" => %w[
              csisolatin2
              iso-8859-2
              iso-ir-101
              iso8859-2
              iso88592
              iso_8859-2
              iso_8859-2:1987
              l2
              latin2
            ],
            "ISO-8859-3" => %w[
              csisolatin3
              iso-8859-3
              iso-ir-109
              iso8859-3
              iso88593
              iso_8859-3
              iso_8859-3:1988
              l3
              latin3
            ],
            "ISO-8859-4" => %w[
              csisolatin4
              iso-8859-4
              iso-ir-110
              iso8859-4
              iso88594
              iso_8859-4
              iso_8859-4:1988
              l4
              latin4
            ],
            "ISO-8859-5" => %w[
              csisolatincyrillic
              cyrillic
              iso-8859-5
              iso-ir-144
              iso8859-5
              iso88595
              iso_8859-5
              iso_8859-5:1988
            ],
            "ISO-8859-6" => %w[
              arabic
              asmo-708
              csiso88596e
              csiso88596i
              csisolatinarabic
              ecma-114
              iso-8859-6
              iso-8859-6-e
              iso-8859-6-i
              iso-ir-127
              iso8859-6
              iso88596
              iso_8859-6
              iso_8859-6:1987
            ],
            "ISO-8859-7" => %w[
              csisolatingreek
              ecma-118
              elot_928
              greek
              greek8
              iso-8859-7
              iso-ir-126
              iso8859-7
              iso88597
              iso_8859-7
              iso_8859-7:1987
              sun_eu_greek
            ],
            "ISO-8859-8" => %w[
              csiso88598e
              csiso88598i
              csisolatinhebrew
              hebrew
              iso-8859-8
              iso-8859-8-e
              iso-8859-8-i
              iso-ir-138
              iso8859-8
              iso88598
              iso_8859-8
              iso_8859-8:1988
              logical
              visual
            ],
            "KOI8-R" => %w[cskoi8r koi koi8 koi8-r koi8_r],
            "KOI8-U" => %w[koi8-ru koi8-u],
            "macCyrillic" => %w[x-mac-cyrillic x-mac-ukrainian],
            "macRoman" => %w[csmacintosh mac macintosh x-mac-roman],
            "UTF-16BE" => %w[unicodefffe utf-16be],
            "UTF-16LE" => %w[csunicode iso-10646-ucs-2 ucs-2 unicode unicodefeff utf-16 utf-16le],
            "UTF-8" => %w[unicode-1-1-utf-8 unicode11utf8 unicode20utf8 utf-8 utf8 x-unicode20utf8],
            "Windows-1250" => %w[cp1250 windows-1250 x-cp1250],
            "Windows-1251" => %w[cp1251 windows-1251 x-cp1251],
            "Windows-1252" => %w[
              ansi_x3.4-1968
              ascii
              cp1252
              cp819
              csisolatin1
              ibm819
              iso-8859-1
              iso-ir-100
              iso8859-1
              iso88591
              iso_8859-1
              iso_8859-1:1987
              l1
              latin1
              us-ascii
              windows-1252
              x-cp1252
            ],
            "Windows-1253" => %w[cp1253 windows-1253 x-cp1253],
            "Windows-1254" => %w[
              cp1254
              csisolatin5
              iso-8859-9
              iso-ir-148
              iso8859-9
              iso88599
              iso_8859-9
              iso_8859-9:1989
              l5
              latin5
              windows-1254
              x-cp1254
            ],
            "Windows-1255" => %w[cp1255 windows-1255 x-cp1255],
            "Windows-1256" => %w[cp1256 windows-1256 x-cp1256],
            "Windows-1257" => %w[cp1257 windows-1257 x-cp1257],
            "Windows-31J" => %w[csshiftjis ms932 ms_kanji shift-jis shift_jis sjis windows-31j x-sjis],
            "Windows-874" => %w[dos-874 iso-8859-11 iso8859-11 iso885911 tis-620 windows-874]
          }.flat_map { |name, labels| labels.map { |label| [label, name] } }.to_h.freeze

        # @param label [String, nil]
        # @return [String, nil] the encoding's name, nil where the label means none
        def self.find(label) = NAMES[label.to_s.strip.downcase]
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # What bytes look like that are no text: counted as words they would say nothing.
      module Binary
        # By how they begin (PRONOM's and WHATWG's signatures of the commonest formats).
        SIGNS = {
          /\A%PDF-/n => "a PDF", /\A\x89PNG\r\n\x1A\n/n => "a picture (PNG)", /\A\xFF\xD8\xFF/n => "a picture (JPEG)",
          /\AGIF8[79]a/n => "a picture (GIF)", /\ARIFF.{4}WEBP/mn => "a picture (WebP)",
          /\ABM.{4}\0{4}/mn => "a picture (BMP)", /\A(?:II\*\0|MM\0\*)/n => "a picture (TIFF)",
          /\A\0\0\x01\0/n => "a picture (icon)", /\A.{4}ftyp/mn => "a film or picture (MP4)",
          /\APK(?:\x03\x04|\x05\x06|\x07\x08)/n => "an archive (ZIP, or a document of an office program)",
          /\A\x1F\x8B/n => "an archive (gzip)", /\ABZh[1-9]/n => "an archive (bzip2)",
          /\A\xFD7zXZ\0/n => "an archive (xz)", /\A7z\xBC\xAF\x27\x1C/n => "an archive (7-Zip)",
          /\ARar!\x1A\x07/n => "an archive (RAR)", /\A\x28\xB5\x2F\xFD/n => "an archive (Zstandard)",
          /\A.{257}ustar/mn => "an archive (tar)",
          /\A\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1/n => "a document of an office program",
          /\A\x7FELF/n => "a program (ELF)", /\AMZ/n => "a program (Windows)",
          /\A(?:\xCF\xFA\xED\xFE|\xCA\xFE\xBA\xBE|\xFE\xED\xFA)/n => "a program",
          /\A\0asm/n => "a program (WebAssembly)",
          /\A(?:wOFF|wOF2|OTTO|\0\x01\0\0)/n => "a font", /\AID3|\A\xFF[\xFB\xF3\xF2]/n => "a sound (MP3)",
          /\AOggS/n => "a sound or film (Ogg)", /\AfLaC/n => "a sound (FLAC)",
          /\A\x1A\x45\xDF\xA3/n => "a film (Matroska)",
          /\ASQLite format 3\0/n => "a database (SQLite)"
        }.freeze
        # By the media type that a server says.
        TYPES = {
          %r{\Aapplication/pdf\z} => "a PDF", %r{\Aimage/(?!svg)} => "a picture", %r{\Aaudio/} => "a sound",
          %r{\Avideo/} => "a film", %r{\Afont/} => "a font", %r{\Aapplication/(?:zip|gzip|x-tar|x-7z)} => "an archive"
        }.freeze
        # Encodings that are told by a mark in front have noughts in plain text.
        MARKED = /\A(?:\xEF\xBB\xBF|\xFE\xFF|\xFF\xFE)/n
        # Signs that no text has (WHATWG MIME Sniffing, "binary data byte").
        NO_TEXT = /[\x00-\x08\x0B\x0E-\x1A\x1C-\x1F]/n
        LOOKED_AT = 8_192

        module_function

        # @param bytes [String]
        # @param media_type [String, nil] as it was served
        # @return [String, nil] nil for text
        #   Binary.kind("%PDF-1.7\n") # => "a PDF"
        #   Binary.kind("Lamps and lights") # => nil
        def kind(bytes, media_type: nil)
          head = bytes.byteslice(0, LOOKED_AT).b
          sign = SIGNS.find { |pattern, _| pattern.match?(head) }
          type = TYPES.find { |pattern, _| pattern.match?(media_type.to_s.downcase) }
          found = (sign || type)&.last
          return found if found || MARKED.match?(head)

          NO_TEXT.match?(head) ? "data of another program" : nil
        end
      end
    end
  end
end

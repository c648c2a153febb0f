# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # What kind of document an answer is. Where no content type was sent, the first bytes tell (WHATWG MIME
      # Sniffing, the patterns a crawler meets).
      module Kind
        NAMES = %w[html pdf image script style other].freeze
        RESOURCES = %w[image script style].freeze
        # What lies on other sites and is only linked to, whatever it is.
        EXTERNAL = "external"
        # What isn't read as a document of the site.
        NO_DOCUMENTS = [*RESOURCES, EXTERNAL].freeze
        SIGNS = [
          [
            /\A\s*<(?:!doctype html|html|head|script|iframe|h1|div|font|table|a|style|title|b|body|br|p|!--)[\s>]/in,
            "text/html"
          ],
          [/\A%PDF-/n, "application/pdf"],
          [/\A\x89PNG\r\n\x1A\n/n, "image/png"],
          [/\A\xFF\xD8\xFF/n, "image/jpeg"],
          [/\AGIF8[79]a/n, "image/gif"],
          [/\ARIFF.{4}WEBPVP/mn, "image/webp"],
          [/\A\s*<\?xml/n, "text/xml"]
        ].freeze

        module_function

        # @param content_type [String, nil] the media type without parameters, lower case
        # @return [String] one of NAMES
        def of(content_type)
          case content_type
          when "text/html", "application/xhtml+xml" then "html"
          when "application/pdf" then "pdf"
          when %r{\Aimage/} then "image"
          when "text/css" then "style"
          when %r{\A(?:text|application)/(?:x-)?(?:java|ecma)script\z} then "script"
          else "other"
          end
        end

        # @param body [String] bytes
        # @return [String] a media type
        def sniff(body)
          head = body.byteslice(0, 1445).b
          sign = SIGNS.find { |pattern, _| pattern.match?(head) }
          return sign[1] if sign

          head.match?(/[\x00-\x08\x0B\x0E-\x1A\x1C-\x1F]/n) ? "application/octet-stream" : "text/plain"
        end
      end
    end
  end
end

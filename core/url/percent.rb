# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Percent-encoding: what a browser encodes when it reads a link (WHATWG URL, percent-encode sets), and
      # the normal form of what is encoded already (RFC 3986 section 6.2.2).
      module Percent
        PATH_UNSAFE = /[^!$%&'()*+,\-.\/0-9:;=@A-Z\[\\\]_a-z|~]/n
        QUERY_UNSAFE = /[^!$%&()*+,\-.\/0-9:;=?@A-Z\[\\\]^_`a-z{|}~]/n
        USERINFO_UNSAFE = /[^!$%&'()*+,\-.0-9:A-Z_a-z~]/n
        UNRESERVED = /[A-Za-z0-9\-._~]/
        TRIPLE = /%\h\h/

        module_function

        # @param text [String] a path as written
        # @return [String] encoded; triples in upper case, unreserved characters decoded
        def path(text) = normalise_triples(escape(text, PATH_UNSAFE))

        # @param text [String] path and query in one, as robots.txt rules are written
        # @return [String] normalised as a whole
        def target(text)
          path, mark, query = text.partition("?")
          path(path) + mark + normalise_triples(query(query))
        end

        # @param text [String] a query as written
        # @return [String] the same, with what may not stand in a query encoded
        def query(text) = escape(text, QUERY_UNSAFE)

        # @param text [String] user and password as written
        # @return [String] encoded
        def userinfo(text) = escape(text, USERINFO_UNSAFE)

        # @param bytes [String] an address, or a text with addresses
        # @return [String] UTF-8; bytes that aren't stand encoded
        #   Percent.of_bytes("/caf\xE9".b) # => "/caf%E9"
        def of_bytes(bytes)
          bytes.dup.force_encoding(Encoding::UTF_8).scrub { |odd| escape(odd, PATH_UNSAFE) }
        end

        # @param text [String] encoded
        # @return [String] UTF-8 as a reader would see it; what is no UTF-8 stays encoded
        #   Percent.decode("/caf%C3%A9/%FF") # => "/café/%FF"
        def decode(text)
          return text unless text.include?("%")

          text.gsub(/(?:%\h\h)+/) do |triples|
            [triples.delete("%")].pack("H*")
              .force_encoding(Encoding::UTF_8)
              .then { |bytes| bytes.valid_encoding? ? bytes : triples }
          end
        end

        # RFC 3986 sections 6.2.2.1 and 6.2.2.2.
        #
        # @param text [String] "%7euser/%c3%a9"
        # @return [String] "~user/%C3%A9"
        def normalise_triples(text)
          return text unless text.include?("%")

          text.gsub(TRIPLE) do |triple|
            character = triple[1, 2].hex.chr
            UNRESERVED.match?(character) ? character : triple.upcase
          end
        end

        def escape(text, unsafe)
          bytes = text.b
          return text unless unsafe.match?(bytes)

          bytes.gsub(unsafe) { |byte| format("%%%02X", byte.ord) }.force_encoding(Encoding::UTF_8)
        end
        private_class_method :escape
      end
    end
  end
end

# frozen_string_literal: true

require "ipaddr"
require "socket"
require "uri/idna"

module IronTrellis
  module Core
    module Url
      # Reads the host of a URL as the WHATWG URL standard's host parser does for special schemes:
      # percent-decoding, IDNA to punycode, IPv4 in its odd spellings, IPv6 in its shortest form.
      module Host
        PLAIN = /\A[a-z0-9](?:[a-z0-9\-_.]*[a-z_\-.])?\z/
        # WHATWG URL, "forbidden domain code point".
        FORBIDDEN = %r{[\x00-\x20#%/:<>?@\[\\\]^|\x7f]}

        module_function

        # @param text [String] the host as written, e.g. "WWW.Example.TEST", "[::1]", "münchen.example"
        # @return [String, nil] the host in normal form; nil where it is no host
        #   Url::Host.read("BÜCHER.example") # => "xn--bcher-kva.example"
        #   Url::Host.read("a b")            # => nil
        def read(text)
          return text if PLAIN.match?(text) && !text.include?("xn--")
          return read_ipv6(text) if text.start_with?("[")

          domain = to_ascii(percent_decode(text))
          return nil if domain.nil? || domain.empty? || FORBIDDEN.match?(domain)

          Ipv4.looks_like?(domain) ? Ipv4.read(domain) : domain
        end

        def read_ipv6(text)
          return nil unless text.end_with?("]")

          address = IPAddr.new(text[1..-2], Socket::AF_INET6)
          address.zone_id ? nil : "[#{address}]"
        rescue IPAddr::Error
          nil
        end

        def to_ascii(domain)
          return nil unless domain.valid_encoding?
          # The standard's strictness is off for what is ASCII already, so odd signs such as ";" may stand in it.
          return domain.downcase if domain.ascii_only? && !domain.match?(/(?:\A|\.)xn--/i)

          URI::IDNA.whatwg_to_ascii(domain)
        rescue URI::IDNA::Error
          nil
        end

        def percent_decode(text)
          return text unless text.include?("%")

          text.b.gsub(/%(\h\h)/n) { [$1].pack("H2") }.force_encoding(Encoding::UTF_8)
        end
        private_class_method :read_ipv6, :to_ascii, :percent_decode
      end
    end
  end
end

# frozen_string_literal: true

require "digest"

module IronTrellis
  module Core
    module Url
      # The one spelling under which a URL is known, and the number that stands for it.
      module NormalForm
        # What was given is no absolute http(s) URL.
        class Malformed < Error::InvalidInput; end

        RESOLVER = Resolver.new
        PARTS = %r{\A(https?)://(?:([^/@]*)@)?(\[[^\]]*\]|[^/:]*)(?::(\d+))?(/[^?]*)(?:\?(.*))?\z}m

        module_function

        # @param text [String] an absolute http(s) URL
        # @return [Url::Parts]
        # @raise [Malformed]
        #   NormalForm.parse("HTTP://Example.TEST:80/a/../b").to_s # => "http://example.test/b"
        #   NormalForm.parse("example.test/b")                     # raises Malformed
        def parse(text)
          parse?(text) || raise(Malformed.new(
            "“#{text}” is not a web address. Give it whole, with http:// or https:// in front.", url: text
          ))
        end

        # @param text [String]
        # @return [Url::Parts, nil] nil where it is no absolute http(s) URL
        def parse?(text) = RESOLVER.parts(text.to_s)

        # Takes a URL apart that is in normal form already, at a tenth of what parsing it costs.
        #
        # @param url [String] in normal form
        # @return [Url::Parts]
        #   NormalForm.split("http://a.test:81/b?c").request_target # => "/b?c"
        def split(url)
          scheme, userinfo, host, port, path, query = PARTS.match(url).captures
          Parts.new(scheme: scheme, userinfo: userinfo, host: host, port: port&.to_i, path: path, query: query)
        end

        # @param text [String] an absolute http(s) URL
        # @return [String] its normal form
        # @raise [Malformed]
        def of(text) = parse(text).to_s

        # A URL has one row per site for ever; its id can be told from its text, so that links need no look-up.
        #
        # @param site_id [Integer]
        # @param url [String] in normal form
        # @return [Integer] signed 64 bits: the first 8 bytes of SHA-256(site id, NUL, normal form)
        def id(site_id, url) = Digest::SHA256.digest("#{site_id}\0#{url}").unpack1("q>")
      end
    end
  end
end

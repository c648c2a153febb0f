# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Turns a reference found on a page into an absolute URL in normal form. It reads references as browsers
      # do (WHATWG URL standard) and then applies RFC 3986 section 6.2.2: scheme and host in lower case, default
      # port and fragment dropped, dot segments removed, percent-encoding normalised in the path; the query
      # is kept as it is.
      class Resolver
        # Paths that are in normal form already: no dot segments, no empty ones, nothing to encode.
        PLAIN_PATH = %r{\A/(?:[A-Za-z0-9\-_~][A-Za-z0-9\-_~.]*+(?:/|\z))*+\z}
        SCHEME = /\A([A-Za-z][A-Za-z0-9+.-]*):/
        STRAY = /[\t\n\r]/
        EDGES = /\A[\u0000-\u0020]+|[\u0000-\u0020]+\z/
        AUTHORITY = %r{\A[/\\]*([^/\\?#]*)}
        MAX_BYTES = 8192

        # @param base [Url::Parts, nil] where relative references start; nil takes absolute ones only
        # @param drop [DroppedParameters, nil] parameters that are taken out of every reference
        def initialize(base = nil, drop: nil)
          @base = base
          @drop = drop
          @origin = base&.origin unless base&.userinfo
        end

        # @param reference [String] an href or src as written
        # @return [String, nil] the normal form; nil for what is no http(s) URL
        def call(reference)
          return "#{@origin}#{reference}" if @origin && PLAIN_PATH.match?(reference)
          return reference if own_and_plain?(reference)

          parts(reference)&.to_s
        end

        # @param reference [String] an href or src as written
        # @return [Url::Parts, nil]
        def parts(reference)
          text = clean(reference)
          return nil unless text

          scheme = text[SCHEME, 1]&.downcase
          return relative(text) unless scheme
          return nil unless scheme == "http" || scheme == "https"

          rest = text[(scheme.length + 1)..]
          return relative(rest) if same_scheme_relative?(scheme, rest)

          absolute(scheme, rest)
        end

        private

        def own_and_plain?(reference)
          @origin && reference.start_with?(@origin) && PLAIN_PATH.match?(reference.delete_prefix(@origin))
        end

        def clean(reference)
          return nil unless reference.valid_encoding?

          text = reference.gsub(EDGES, "")
          STRAY.match?(text) ? text.gsub(STRAY, "") : text
        end

        # "http:page" beside an http base is a relative reference; "http:/host" is not.
        def same_scheme_relative?(scheme, rest)
          @base && @base.scheme == scheme && !rest.match?(%r{\A[/\\]{2}})
        end

        def absolute(scheme, rest)
          authority = rest[AUTHORITY, 1]
          tail = rest[AUTHORITY.match(rest).end(0)..]
          userinfo, host, port = split_authority(authority, scheme)
          return nil unless host

          path, query = split_tail(tail)
          build(scheme, userinfo, host, port, path.empty? ? "/" : path, query)
        end

        def relative(text)
          return nil unless @base
          return absolute(@base.scheme, text) if text.match?(%r{\A[/\\]{2}})

          path, query = split_tail(text)
          if path.empty?
            query ||= @base.query unless text.start_with?("?")
            return @base.dup.tap { |parts| parts.query = cleaned(query) }
          end
          path = merge(path) unless path.start_with?("/")
          build(@base.scheme, @base.userinfo, @base.host, @base.port, path, query)
        end

        def build(scheme, userinfo, host, port, path, query)
          Parts.new(scheme: scheme, userinfo: userinfo, host: host, port: port,
            path: DotSegments.remove(Percent.path(path)), query: cleaned(query))
        end

        def cleaned(query)
          query &&= Percent.query(query)
          (query && @drop) ? @drop.call(query) : query
        end

        def merge(path) = @base.path[0..@base.path.rindex("/")] + path

        def split_tail(text)
          text = text[0...text.index("#")] if text.include?("#")
          path, mark, query = text.partition("?")
          [path.tr("\\", "/"), mark.empty? ? nil : query]
        end

        def split_authority(authority, scheme)
          userinfo, at, hostport = authority.rpartition("@")
          match = hostport.match(/\A(\[[^\]]*\]|[^:]*)(?::(\d*))?\z/)
          return unless match && !match[1].empty?

          host = Host.read(match[1].match?(/[A-Z]/) ? match[1].downcase : match[1])
          port = match[2].to_s.empty? ? nil : match[2].to_i
          return if host.nil? || (port && port > 65_535)

          port = nil if port == ((scheme == "https") ? 443 : 80)
          [(at.empty? || userinfo.empty?) ? nil : Percent.userinfo(userinfo), host, port]
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Crawling
      # The other addresses under which a site may answer as well: the other scheme, and with or without www.
      module HostVariants
        MISSING = "missing"
        SCHEME = "scheme"
        WWW = "www"
        SCHEMES = {"http" => "https", "https" => "http"}.freeze

        module_function

        # @param origin [String] scheme, host and, where it isn't the usual one, port
        # @return [Hash{String => String}] their home pages, by what differs; none for addresses with a port or in
        #   numbers, which have no usual others
        #   HostVariants.of("http://www.a.test") # =>
        #     {"scheme" => "https://www.a.test/", "www" => "http://a.test/"}
        def of(origin)
          scheme, authority = origin.split("://")
          return {} if authority.match?(/:\d+\z|\A[\d.]+\z|\A\[/)

          {SCHEME => "#{SCHEMES.fetch(scheme)}://#{authority}/", WWW => "#{scheme}://#{other_host(authority)}/"}.compact
        end

        # @param probe [Hash{String => Object}] kind, authority and url of what was asked
        # @return [String, nil] the origin for which it was; nil where it was asked for a missing page
        #   HostVariants.origin("kind" => "scheme", "authority" => "a.test", "url" => "https://a.test/") # =>
        #     "http://a.test"
        def origin(probe)
          scheme = probe["url"][/\A\w+/]
          scheme = {SCHEME => SCHEMES.fetch(scheme), WWW => scheme}[probe["kind"]]
          "#{scheme}://#{probe["authority"]}" if scheme
        end

        # @param one [String] a URL
        # @param other [String] a URL
        # @return [Boolean] whether their hosts are one but for www, whatever their schemes
        def same_site?(one, other) = bare_host(one) == bare_host(other)

        def bare_host(url) = url[%r{\Ahttps?://([^/]+)}, 1].delete_prefix("www.")

        def other_host(host) = host.start_with?("www.") ? host.delete_prefix("www.") : "www.#{host}"
        private_class_method :other_host, :bare_host
      end
    end
  end
end

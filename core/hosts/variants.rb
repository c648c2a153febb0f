# frozen_string_literal: true

module IronTrellis
  module Core
    module Hosts
      # The other addresses under which a site may answer as well: the other scheme, and with or without www.
      module Variants
        MISSING = "missing"
        SCHEME = "scheme"
        WWW = "www"
        SCHEMES = {"http" => "https", "https" => "http"}.freeze

        module_function

        # @param origin [String] scheme, host and, where it isn't the usual one, port
        # @return [Hash{String => String}] their home pages, by what differs; none for addresses with a port or in numbers, which have no usual others
        #   Variants.of("http://www.a.test") # => {"scheme" => "https://www.a.test/", "www" => "http://a.test/"}
        def of(origin)
          scheme, authority = origin.split("://")
          return {} if authority.match?(/:\d+\z|\A[\d.]+\z|\A\[/)

          {SCHEME => "#{SCHEMES.fetch(scheme)}://#{authority}/", WWW => "#{scheme}://#{other_host(authority)}/"}.compact
        end

        def other_host(host) = host.start_with?("www.") ? host.delete_prefix("www.") : "www.#{host}"
        private_class_method :other_host
      end
    end
  end
end

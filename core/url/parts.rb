# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # The parts of an absolute http(s) URL in normal form (RFC 3986 section 6.2.2; see NormalForm).
      # `port` is nil where it is the scheme's default, `query` nil where there is no question mark.
      Parts = Struct.new(:scheme, :userinfo, :host, :port, :path, :query, keyword_init: true) do
        # @return [String] the normal form
        def to_s
          query ? "#{origin_with_userinfo}#{path}?#{query}" : "#{origin_with_userinfo}#{path}"
        end

        # @return [String] scheme, host and port, e.g. "https://www.example.test:8443"
        def origin = "#{scheme}://#{authority}"

        # @return [String] host, and the port where it isn't the default
        def authority = port ? "#{host}:#{port}" : host

        # @return [Integer] the port a connection goes to
        def effective_port = port || ((scheme == "https") ? 443 : 80)

        # @return [String] path and query, as sent in a request and as robots.txt rules are matched
        def request_target = query ? "#{path}?#{query}" : path

        private

        def origin_with_userinfo = userinfo ? "#{scheme}://#{userinfo}@#{authority}" : origin
      end
    end
  end
end

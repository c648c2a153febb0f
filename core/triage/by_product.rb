# frozen_string_literal: true

module IronTrellis
  module Core
    module Triage
      # Addresses that a site brings forth by the way, and that nobody searches for: told by path, parameters and type
      # (common practice).
      module ByProduct
        SEGMENTS = {
          "feed" => "a feed",
          "rss" => "a feed",
          "atom" => "a feed",
          "print" => "a view for printing",
          "search" => "a search page",
          "basket" => "a basket",
          "cart" => "a basket",
          "account" => "a page of an account",
          "login" => "a page of an account"
        }.freeze
        PARAMETERS = {
          "page" => "a later page of a list",
          "print" => "a view for printing",
          "q" => "a search page",
          "sort" => "a sorted list",
          "filter" => "a filtered list"
        }.freeze
        PAGED = %r{/page/\d+(?:/|\z)}
        TYPES = {
          %r{\Aapplication/(?:rss|atom)\+xml} => "a feed",
          %r{\A(?:image|audio|video|font)/} => "an embedded file",
          %r{\A(?:text/(?:css|javascript)|application/(?:x-)?(?:javascript|json|xml|ld\+json)|text/xml)} =>
            "a helper file"
        }.freeze

        module_function

        # @param url [String] in normal form
        # @param content_type [String, nil]
        # @param bare_known [Boolean] whether the address without its parameters is one of the site
        # @return [String, nil] what it is; nil where nothing says that it is one
        #   ByProduct.of("http://a.test/tags/feed", nil, bare_known: false) # => "a feed"
        #   ByProduct.of("http://a.test/x?sort=price", nil, bare_known: false) # => "a sorted list"
        def of(url, content_type, bare_known:)
          path, query = url.sub(%r{\Ahttps?://[^/]+}, "").split("?", 2)
          by_path(path.downcase) || by_parameters(query, bare_known) || by_type(content_type)
        end

        def by_path(path)
          return "a later page of a list" if path.match?(PAGED)

          path.split("/").filter_map { |segment| SEGMENTS[segment] }.first
        end

        def by_parameters(query, bare_known)
          return if query.nil?

          names = query.split("&").map { |part| part[/\A[^=]*/].downcase }
          names.filter_map { |name| PARAMETERS[name] }.first ||
            ("an address with parameters of a page that has none" if bare_known)
        end

        def by_type(type) = type && TYPES.find { |pattern, _| pattern.match?(type.downcase) }&.last
        private_class_method :by_path, :by_parameters, :by_type
      end
    end
  end
end

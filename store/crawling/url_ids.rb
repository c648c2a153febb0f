# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # Ids of URLs as they come up in a crawl, with what is asked of each again and again, and those that were new
      # since the last look.
      class UrlIds
        # How many are remembered, so as not to work them out again.
        MEMORY = 100_000

        # @param site_id [Integer]
        # @param scope [Core::Url::Scope]
        def initialize(site_id, scope)
          @site_id = site_id
          @scope = scope
          @ids = {}
          @internal = {}
          @new = {}
        end

        # @param url [String] in normal form
        # @return [Integer]
        def of(url)
          known = @ids[url]
          return known if known

          [@ids, @internal].each(&:clear) if @ids.size > MEMORY
          @internal[url] = @scope.host?(url)
          id = Core::Url::NormalForm.id(@site_id, url)
          @new[id] = url
          @ids[url] = id
        end

        # @param url [String] whose id was asked for
        # @return [Boolean] whether its host is ours
        def internal?(url) = @internal.fetch(url) { @scope.host?(url) }

        # @return [Hash{Integer => String}] those that came up since the last call
        def take_new
          new = @new
          @new = {}
          new
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Requests
      # An index is asked about pages of the site only.
      module Scoped
        # @param site [Store::Sites::Site]
        # @param urls [Array<String>] in normal form
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def self.check(site, urls)
          scope = site.crawl_settings.scope
          other = urls.find { |url| !scope.host?(url) } or return
          raise Core::Error::InvalidInput.new(
                  "#{other} is on no host of #{site.name}: only pages of the site can be asked for."
                )
        end
      end
    end
  end
end

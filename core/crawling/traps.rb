# frozen_string_literal: true

module IronTrellis
  module Core
    module Crawling
      # What keeps crawlers busy with nothing, in words for who ends a crawl or looks at it.
      module Traps
        # So many pages that read as missing are no slips (ours).
        LEAST_PAGES = 10
        MOST_NAMED = 5

        module_function

        # @param read_as_missing [Integer] URLs that answer 200 and read like what their host says of missing pages
        # @param fetched [Integer] URLs
        # @param spaces [Array<Hash{String => Object}>] kind, space and most, of those that are full
        # @return [Array<String>]
        def explain(read_as_missing:, fetched:, spaces:)
          endless = spaces.reject { |one| one["kind"] == Url::Spaces::PATTERN }
          [*soft(read_as_missing, fetched), *endless.first(MOST_NAMED).map { |one| full(one) }, *others(endless)]
        end

        def soft(pages, fetched)
          return [] if pages < LEAST_PAGES

          ["#{pages} of #{fetched} fetched URLs answer 200 and read like the site's missing page: what isn't there " \
            "should answer 404 or 410."]
        end

        def full(space) = "Of #{space["space"]} only #{space["most"]} URLs were fetched: it may go on without end."

        def others(spaces)
          more = spaces.size - MOST_NAMED
          more.positive? ? ["So it is with #{more} more sets of addresses."] : []
        end
        private_class_method :soft, :full, :others
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # Of two addresses of one content one leads to the other for good; whether they are of one content still the
        # next crawl tells.
        module VariantGone
          # @return [Array(Boolean, String)]
          def self.call(condition, probe)
            urls = [condition.url, condition.about]
            pages = urls.map { |url| probe.page(url) }
            moved = pages.zip(urls.reverse).find { |page, other| page.moved_for_good_to?(other) }&.first
            return ByCrawl.call(condition, probe) unless moved

            [true, "#{moved.subject.url}: #{moved.explain}"]
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # Of two addresses of one content one leads to the other for good, or is no page that may be indexed.
        module VariantGone
          # @return [Array(Boolean, String)]
          def self.call(condition, world)
            pages = [condition.url, condition.about].map { |url| world.page(url) }
            gone = pages.find { |page| !page.subject.page? }
            [!gone.nil?, gone ? "#{gone.subject.url}: #{gone.told}" : "both may be indexed"]
          end
        end
      end
    end
  end
end

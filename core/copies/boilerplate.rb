# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # The blocks of text that the pages of one group share, since their template puts them there.
      module Boilerplate
        # So many pages, none of which says the same as another, tell what is usual.
        LEAST_PAGES = 5
        # What stands on more pages than this share is the template's (common practice).
        SHARE = 0.5

        module_function

        # @param pages [Array<Array<String>>] the blocks of some pages of the group
        # @return [Hash{String => true}]
        #   Boilerplate.of([%w[Menu a], %w[Menu b], %w[Menu c], %w[Menu d], %w[Menu e]]) # => {"Menu" => true}
        def of(pages)
          pages = pages.uniq
          return {} if pages.size < LEAST_PAGES

          pages.flat_map(&:uniq).tally.select { |_, count| count > pages.size * SHARE }.transform_values { true }
        end
      end
    end
  end
end

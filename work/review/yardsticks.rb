# frozen_string_literal: true

module IronTrellis
  module Work
    module Review
      # By what the pages of a site are compared when they are reviewed one by one.
      module Yardsticks
        module_function

        # @param site [Store::Sites::Site]
        # @param given [Array<Hash>] see Core::Review::Yardstick
        # @return [Array<Hash>] what is kept
        # @raise [Core::Error::InvalidInput]
        def keep(site, given)
          given.each { |one| Core::Review::Yardstick.read(one) }
          site.update!(review_yardsticks: given)
          given
        end
      end
    end
  end
end

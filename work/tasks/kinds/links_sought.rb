# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Looks for links that should be.
        module LinksSought
          CODE = "links_sought"
          DOING = "a search for missing links"

          module_function

          # @param input [Hash{String => Object}] site (id)
          # @return [Hash] found, how many
          def call(input, now:) =
            {found: MissingLinks::Looking.new(Store::Sites::Site.fetch(input["site"]), now: now).call}
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Reads a page that is worked on, and those that it is held against.
        module DeskRead
          CODE = "desk_read"
          DOING = "a reading at the desk"

          module_function

          # @param input [Hash{String => Object}] site (id), page (id of its URL)
          # @yieldparam done [Integer]
          # @yieldparam total [Integer]
          # @return [Hash] page, the id of its URL
          def call(input, now:, &progress)
            site = Store::Sites::Site.fetch(input["site"])
            Desk::Sheet.new(site, input["page"], now: now).read_all(&progress)
            {page: input["page"].to_s}
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Has an index hide a page, or show it again.
        module PageHidden
          CODE = "page_hidden"
          DOING = "having a page hidden"

          module_function

          # @param input [Hash{String => Object}] site (id), index (id), url, show and only_copy
          # @yield asks whether somebody waits still
          # @return [Hash{Symbol => String}]
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            index = Store::Evidence::Index.of(site).find(input["index"])
            interface = Evidence::Pulling.interface(index, wanted: -> { yield })
            Requests::Hiding.new(index, now: now, interface: interface).call(
              input["url"],
              show: input["show"] || false,
              only_copy: input["only_copy"] || false
            )
            {url: input["url"]}
          end
        end
      end
    end
  end
end

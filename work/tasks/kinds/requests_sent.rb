# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks an index for today's portion of what it is to fetch again.
        module RequestsSent
          CODE = "requests_sent"

          module_function

          # @param input [Hash{String => Object}] site (id) and index (id)
          # @return [Hash{Symbol => Integer}] as Requests::Queue#ask
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            Requests::Queue.new(site, now: now).ask(Store::Evidence::Index.of(site).find(input["index"]))
          end
        end
      end
    end
  end
end

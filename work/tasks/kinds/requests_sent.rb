# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks an index for today's portion of what it is to fetch again.
        module RequestsSent
          CODE = "requests_sent"
          DOING = "sending requests to an index"

          module_function

          # @param input [Hash{String => Object}] site (id) and index (id)
          # @yield asks whether somebody waits still
          # @return [Hash{Symbol => Integer}] as Requests::Queue#ask
          def call(input, now:)
            site = Store::Sites::Site.find(input["site"])
            index = Store::Evidence::Index.of(site).find(input["index"])
            interface = Evidence::Pulling.interface(index, wanted: -> { yield })
            Requests::Queue.new(site, now: now).ask(index, interface: interface)
          end
        end
      end
    end
  end
end

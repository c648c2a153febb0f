# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Asks an index whether it can be asked.
        module IndexTest
          CODE = "index_test"
          DOING = "trying an index"

          module_function

          # @param input [Hash{String => Object}] index (id)
          # @yield asks whether somebody waits still
          # @return [Hash] name, today, quota, hosts
          def call(input, now:)
            index = Store::Evidence::Index.fetch(input["index"])
            Evidence::Pulling.interface(index, wanted: -> { yield }).status.slice("name", "today", "quota", "hosts")
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on pages whose addresses are the same but for one thing. VALUE names the form of the address that leaves
      # that out; every page of a form is told about the first other one.
      class VariantRule < SetRule
        ABOUT = "Other address"
        SAME = nil
        OF_HOST = true

        def check(page, shared)
          fault(page, about: shared.other_than(page.url))
        end
      end
    end
  end
end

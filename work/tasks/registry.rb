# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      # The kinds of tasks, one file each in kinds/: each gives a CODE, says what it is DOING and does its work by
      # `call`.
      module Registry
        module_function

        # @return [Hash{String => Module}] by code
        def all =
          @all ||= Kinds.constants.map { |name| Kinds.const_get(name) }.to_h { |kind| [kind::CODE, kind] }.freeze
      end
    end
  end
end

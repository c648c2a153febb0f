# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      # The kinds of tasks, one file each in kinds/: each gives a CODE and does its work by `call`.
      module Registry
        module_function

        # @return [Hash{String => Module}] by code
        def all
          @all ||=
            Dir[File.join(__dir__, "kinds/*.rb")].sort.to_h do |file|
              kind = Kinds.const_get(File.basename(file, ".rb").split("_").map(&:capitalize).join)
              [kind::CODE, kind]
            end
        end
      end
    end
  end
end

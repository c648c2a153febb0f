# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # Yes or no.
        class Flag < Field
          def problems(value) = [true, false].include?(value) ? [] : ["“#{name}” must be true or false."]
        end
      end
    end
  end
end

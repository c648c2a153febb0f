# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # A text of a given form; an empty one is allowed where that is the default.
        class Text < Field
          # @param form [Regexp]
          # @param complaint [String]
          def initialize(name, default, form, complaint)
            super(name, default)
            @form = form
            @complaint = complaint
          end

          def problems(value)
            return [] if value.is_a?(String) && (value == default || @form.match?(value))

            [@complaint]
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

require "fugit"

module IronTrellis
  module Core
    module Settings
      module Fields
        # A time zone by its name in the IANA database.
        class TimeZone < Field
          def problems(value)
            if value.is_a?(String) && EtOrbi.get_tzone(value)
              []
            else
              ["“#{value}” is no time zone. Give one like Europe/Lisbon, or UTC."]
            end
          end
        end
      end
    end
  end
end

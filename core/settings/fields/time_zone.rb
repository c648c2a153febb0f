# frozen_string_literal: true

require "fugit"

module IronTrellis
  module Core
    module Settings
      module Fields
        # A time zone by its name in the IANA database.
        class TimeZone < Field
          # No name is longer, and what is looked for in a long text takes long.
          MOST_SIGNS = 64

          # @param value [Object]
          # @return [Boolean]
          def self.known?(value) =
            value.is_a?(String) && value.size <= MOST_SIGNS && !EtOrbi.get_tzone(value).nil?

          # @param value [Object]
          # @return [String] for people
          def self.unknown(value) =
            "“#{value.to_s[0, MOST_SIGNS]}” is no time zone. Give one like Europe/Lisbon, or UTC."

          def problems(value) = self.class.known?(value) ? [] : [self.class.unknown(value)]
        end
      end
    end
  end
end

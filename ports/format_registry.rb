# frozen_string_literal: true

module IronTrellis
  module Ports
    # Formats that the files of a folder hold, found by being there.
    module FormatRegistry
      # @param namespace [Module] whose constants are the formats, each with a NAME and a PLACE in lists
      # @return [Hash{String => Module}] by name, in their order
      def self.in(namespace)
        formats = namespace.constants.map { |name| namespace.const_get(name) }
        formats.sort_by { |format| format::PLACE }.to_h { |format| [format::NAME, format] }.freeze
      end
    end
  end
end

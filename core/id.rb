# frozen_string_literal: true

module IronTrellis
  module Core
    # Ids of rows: whole numbers that 64 bits with a sign can hold.
    module Id
      RANGE = (-(1 << 63)..((1 << 63) - 1))

      module_function

      # @param value [Object]
      # @return [Boolean] whether it can be an id, as a number or written in decimal digits
      # @example
      #   IronTrellis::Core::Id.valid?("7410") # => true
      #   IronTrellis::Core::Id.valid?("9223372036854775808") # => false
      #   IronTrellis::Core::Id.valid?("7 OR 1=1") # => false
      def valid?(value) = value.to_s.match?(/\A-?\d{1,19}\z/) && RANGE.cover?(value.to_s.to_i)
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # A number within a range.
        class Number < Field
          # @return [Range] what it may be
          attr_reader :range
          # @return [String] how people call it
          attr_reader :meaning

          # @param range [Range]
          # @param meaning [String] how people call it, as the beginning of a sentence
          def initialize(name, default, range, meaning)
            super(name, default)
            @range = range
            @meaning = meaning
          end

          def problems(value)
            return [] if value.is_a?(Numeric) && @range.cover?(value) && (whole? ? value.to_i == value : true)

            ["#{@meaning} must be a #{"whole " if whole?}number from #{@range.min} to #{@range.max}."]
          end

          def clean(value) = whole? ? value.to_i : value

          private

          def whole? = default.is_a?(Integer)
        end
      end
    end
  end
end

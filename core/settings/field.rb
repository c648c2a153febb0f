# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # One setting: its default, and what is wrong with a value. The kinds of settings are in fields/.
      class Field
        attr_reader :name, :default

        # @param name [String]
        # @param default [Object] also says what is meant where nothing was given
        def initialize(name, default)
          @name = name
          @default = default
        end

        # @param value [Object] as given
        # @return [Array<String>] what is wrong with it, in words; empty where it can be used
        def problems(value) = raise(NoMethodError, "#{self.class} must define problems(value), not #{value.inspect}")

        # @param value [Object] for which there are no problems
        # @return [Object] the form in which it is kept
        def clean(value) = value
      end
    end
  end
end

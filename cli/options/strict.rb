# frozen_string_literal: true

require "thor"

module IronTrellis
  module Cli
    module Options
      # An option that wants a value refuses without it. Thor gives one that isn't required its own name as its value,
      # so that "--phrase" would look for the phrase "phrase".
      module Strict
        private

        # @param switch [String] as it was written
        # @param option [Thor::Option]
        # @return [Object] its value
        # @raise [Thor::MalformattedArgumentError]
        def parse_peek(switch, option)
          return super if option.boolean?
          if no_or_skip?(switch) || last? || current_is_switch_formatted? || peek.to_s.strip.empty?
            raise Thor::MalformattedArgumentError.new("#{switch} needs a value#{": #{option.banner}" if option.banner}")
          end

          super
        end
      end
    end
  end
end

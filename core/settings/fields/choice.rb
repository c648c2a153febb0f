# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # One of a few words.
        class Choice < Field
          # @param words [Array<String>]
          def initialize(name, default, words)
            super(name, default)
            @words = words
          end

          def problems(value) =
            @words.include?(value) ? [] : ["“#{value}” can't be chosen for “#{name}”; use one of #{@words.join(", ")}."]
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Some settings can't be used; `data[:problems]` lists each as {field:, message:}.
      class Problems < Error::InvalidInput
        # @param list [Array<Hash>]
        def initialize(list)
          super(list.map { |one| one[:message] }.join(" "), problems: list)
        end
      end
    end
  end
end

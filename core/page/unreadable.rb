# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # A document that no crawler could be asked to read.
      class Unreadable < Error; end
    end
  end
end

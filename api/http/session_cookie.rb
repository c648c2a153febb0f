# frozen_string_literal: true

module IronTrellis
  module Api
    module Http
      # The cookie by which a browser is known again.
      module SessionCookie
        NAME = "iron_trellis"
      end
    end
  end
end

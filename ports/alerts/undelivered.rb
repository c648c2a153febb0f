# frozen_string_literal: true

module IronTrellis
  module Ports
    module Alerts
      # What was to be sent didn't arrive, as far as is known.
      class Undelivered < Core::Error
        CODE = "undelivered"
      end
    end
  end
end

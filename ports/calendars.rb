# frozen_string_literal: true

module IronTrellis
  module Ports
    # Calendars that other programs read.
    module Calendars
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # How far the rendering of one page may go.
      module Limits
        SECONDS = 15
        QUIET_SECONDS = 0.5
        STEP_SECONDS = 0.05
        # Reading what a page has become; scripts that never end are stopped first.
        READ_SECONDS = 3
        MOST_NAVIGATIONS = 10
        MOST_MEGABYTES = 700
        MEMORY_STEPS = 10
        MOST_CONSOLE = 100
        MOST_HEIGHT = 4_000
        QUALITY = 60
        HEIGHT = 800
      end
    end
  end
end

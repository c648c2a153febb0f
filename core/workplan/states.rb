# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Where a fix stands between being found and being proved.
      module States
        OPEN = "open"
        PLANNED = "planned"
        HANDED_OVER = "handed over"
        CLAIMED = "claimed"
        PROVED = "proved"
        PARTLY = "partly"
        NOT_DONE = "not done"
        RETURNED = "returned"
        LEFT = "left"
        # What it was for is judged otherwise now, without anything being mended.
        LAPSED = "lapsed"
        ALL = [OPEN, PLANNED, HANDED_OVER, CLAIMED, PROVED, PARTLY, NOT_DONE, RETURNED, LEFT, LAPSED].freeze
        # What it clears is made anew after each judging; from handing over on it stays.
        FLUID = [OPEN, PLANNED].freeze
        FROZEN = [HANDED_OVER, CLAIMED, PARTLY, NOT_DONE, RETURNED, LEFT].freeze
        # Somebody can say of these that they are done.
        CLAIMABLE = [OPEN, PLANNED, HANDED_OVER, PARTLY, NOT_DONE, RETURNED].freeze
        # Nothing has to wait for these any more.
        SETTLED = [PROVED, LEFT, LAPSED].freeze
      end
    end
  end
end

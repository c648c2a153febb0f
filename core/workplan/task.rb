# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # A fix as the scheduler sees it: what it is worth an hour sooner (`benefit`), how many `hours` it takes, whose it
      # is (nil: whoever of its `role` is done with it first), after which others it comes (`after`, ids), and dates:
      # not before, to be done by the end of the `deadline`, and the day that somebody `locked` it to.
      Task =
        Struct.new(*%i[id benefit hours owner role after not_before deadline locked_start], keyword_init: true)
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # One answer that a lost address could give: a target and 301, or no target and 410. `score` is from 0 to 100,
      # `reasons` are in words.
      Suggestion = Struct.new(:target, :status, :score, :reasons, keyword_init: true)
    end
  end
end

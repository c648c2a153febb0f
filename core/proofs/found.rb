# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # Whether a condition is `met`: true, false, or nil where a fetch can't tell; and what was `found` instead, in
      # words. `cached` is whether a cache answered otherwise than the site itself.
      Found =
        Struct.new(:condition, :met, :found, :cached, keyword_init: true) do
          # @return [Hash{String => String, nil}] of what isn't met, as `bin/trellis prove` tells it
          def as_json(*) = condition.as_json.merge("found" => found)
        end
    end
  end
end

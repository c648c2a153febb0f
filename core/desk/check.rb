# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # One thing that a page's fit is made of: what was `found`, between what it should lie (`low` and `high`, nil
      # where there is no bound), and how much it weighs. `about` is the element, term or phrase that it looks at.
      Check =
        Struct.new(:name, :about, :found, :low, :high, :weight, keyword_init: true) do
          # @return [Boolean]
          def met = (low.nil? || found >= low) && (high.nil? || found <= high)

          # @return [Hash{String => Object}] as the command terms prints it
          def as_json(*) =
            {
              "name" => name,
              "found" => found,
              "low" => low,
              "high" => high,
              "met" => met,
              "weight" => weight
            }
        end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # Whether the address to which another moved takes over what that one had: of the short window before the move
      # what the old address had (`before`) and what its heir had already (`beside`), and of the newest one what the
      # heir has (`now`); each with clicks, impressions and position. `since` is the day of the first evidence that has
      # the old address moved.
      Heir =
        Struct.new(:since, :before, :beside, :now, keyword_init: true) do
          # What the heir gained of the clicks that the old address had. Common practice: the index needs some weeks.
          #
          # @return [Float, nil] 1.0 where it is all of them; nil where there was nothing to take over
          #   Heir.new(before: {"clicks" => 40}, beside: {"clicks" => 5}, now: {"clicks" => 39}).share # => 0.85
          def share
            had = before["clicks"]
            ((now["clicks"] - beside["clicks"]) / had.to_f).clamp(0.0, nil).round(2) if had.positive?
          end
        end
    end
  end
end

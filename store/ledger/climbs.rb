# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # What was judged of a URL rung by rung, as SQL: rungs are found by their names, in the ladder's order, wherever
      # they stand in the list. The twin of Core::Ladder::Climb#stop_at, held to the same cases.
      module Climbs
        # As the states of Core::Ladder::Judgement stand in a stored climb.
        PASSES = "pass"
        STOPS = "stop"

        module_function

        # @param climb [String] an SQL expression: a jsonb list of {rung, state, reason}
        # @param rung [String]
        # @return [String] whether it passes that rung
        def passes(climb, rung) =
          "(#{climb} @> '[{\"rung\": \"#{rung}\", \"state\": \"#{PASSES}\"}]')"

        # @param climb [String]
        # @param rung [String]
        # @param reason [String] an SQL expression
        # @return [String] the climb with a stop at that rung
        def stopped_at(climb, rung, reason) = <<~SQL.chomp
          (SELECT jsonb_agg(CASE WHEN one.judged ->> 'rung' = '#{rung}' THEN one.judged ||
            jsonb_build_object('state', '#{STOPS}', 'reason', #{reason}) ELSE one.judged END
            ORDER BY one.place) FROM jsonb_array_elements(#{climb}) WITH ORDINALITY AS one (judged, place))
        SQL

        # @param stop [String] an SQL expression: the rung that a URL stops at so far, or NULL
        # @param rung [String]
        # @return [String] whether a stop at that rung is the first, and so the one that counts
        def first?(stop, rung)
          before = Core::Ladder::Climb::NAMES.take_while { |name| name != rung }
          "(#{stop} IS NULL OR #{stop} NOT IN ('#{before.join("', '")}'))"
        end
      end
    end
  end
end

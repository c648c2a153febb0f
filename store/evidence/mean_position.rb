# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # The mean of positions, weighed by impressions; rows without a position count for nothing in it.
      module MeanPosition
        # @param digits [Integer] that the mean is rounded to
        # @return [String] an aggregate over columns named position and impressions
        def self.sql(digits: 1) =
          "round((sum(position * impressions) / nullif(sum(impressions) FILTER (WHERE position IS NOT NULL), 0))" \
            "::numeric, #{digits})::double precision"
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Importance
      # How much each part of the importance counts.
      module Weights
        # Links from other sites count only where a list of them was brought; then they have this share of the whole,
        # and the others the rest.
        LINKS = "links"
        # Ours.
        DEFAULT = {
          "authority" => 0.35,
          "clicks" => 0.30,
          "impressions" => 0.15,
          "nearness" => 0.10,
          "sitemap" => 0.10,
          LINKS => 0.15
        }.freeze

        module_function

        # @param given [Hash{String => Numeric}] those that differ from ours
        # @return [Hash{String => Float}] by part
        # @raise [Settings::Problems]
        def of(given)
          wrong = given.reject { |part, weight| DEFAULT.key?(part) && weight.is_a?(Numeric) && (0..1).cover?(weight) }
          weights = DEFAULT.merge(given)
          problems =
            wrong.map do |part, _|
              {
                field: part,
                message:
                  (
                    if DEFAULT.key?(part)
                      "The weight of #{part} must be a number from 0 to 1."
                    else
                      "Importance has no part “#{part}”."
                    end
                  )
              }
            end
          if problems.empty? && weights.except(LINKS).values.sum.zero?
            problems << {field: "weights", message: "At least one part must count."}
          end
          raise Settings::Problems.new(problems) if problems.any?

          weights.transform_values(&:to_f)
        end
      end
    end
  end
end

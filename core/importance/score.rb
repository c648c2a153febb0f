# frozen_string_literal: true

module IronTrellis
  module Core
    module Importance
      # How much a page matters, from 0 to 100: a weighted mean of what is known of it, each as its standing among the
      # site's pages. What is not known leaves its weight to the others.
      Score = Struct.new(:value, :parts)

      class << Score
        # A key page is never below this.
        KEY_PAGE = 90.0

        # @param standings [Hash{String => Float, nil}] by part, from 0 (least of all pages) to 1 (most); nil where
        #   there is no evidence
        # @param key_page [Boolean]
        # @param weights [Hash{String => Float}] by part
        # @return [Score, nil] nil where nothing is known. `parts` has, by part, its standing and its share of the
        #   whole; one that is left out has none
        #   Score.of({"authority" => 1.0, "nearness" => 0.5}).value # => 88.9
        def of(standings, key_page: false, weights: Weights::DEFAULT)
          known = standings.slice(*weights.keys).compact
          whole = known.keys.sum { |part| weights[part] }
          return if whole.zero? && !key_page

          value = whole.zero? ? 0.0 : known.sum { |part, standing| standing * weights[part] } / whole * 100
          parts =
            known.to_h do |part, standing|
              [part, {standing: standing.round(4), weight: (weights[part] / whole).round(4)}]
            end
          parts["key_page"] = {least: KEY_PAGE} if key_page
          new((key_page ? [value, KEY_PAGE].max : value).round(1), parts)
        end
      end
    end
  end
end

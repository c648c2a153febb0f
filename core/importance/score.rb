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
          shares = shares(standings.slice(*weights.keys).compact, weights)
          return if shares.empty? && !key_page

          value = shares.sum { |part, share| standings[part] * share } * 100
          parts =
            shares.to_h do |part, share|
              [part, {standing: standings[part].round(4), weight: share.round(4)}]
            end
          parts["key_page"] = {least: KEY_PAGE} if key_page
          new((key_page ? [value, KEY_PAGE].max : value).round(1), parts)
        end

        private

        # What each known part counts of the whole.
        def shares(known, weights)
          others = known.keys - [Weights::LINKS]
          whole = others.sum { |part| weights[part] }
          links = known.key?(Weights::LINKS) ? weights[Weights::LINKS] : 0.0
          return {} if whole.zero? && links.zero?

          links = 1.0 if whole.zero?
          others.to_h { |part| [part, whole.zero? ? 0.0 : weights[part] / whole * (1 - links)] }
            .merge(known.key?(Weights::LINKS) ? {Weights::LINKS => links} : {})
        end
      end
    end
  end
end

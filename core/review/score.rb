# frozen_string_literal: true

module IronTrellis
  module Core
    module Review
      # How much of what is known of a page meets the yardsticks, as a share of their weights.
      module Score
        module_function

        # @param yardsticks [Array<Yardstick>]
        # @param row [Hash{String => Object}] of the ledger
        # @return [Array(Array<Boolean, nil>, Float)] which are met, and the share; nil where nothing is known
        #   Score.of([Yardstick.new(field: "words", op: "at_least", value: 9, weight: 1)], {"words" => 9}).last # => 1.0
        def of(yardsticks, row)
          met = yardsticks.map { |one| one.met?(row) }
          known = yardsticks.zip(met).reject { |_, answer| answer.nil? }
          whole = known.sum { |one, _| one.weight }
          share = if whole.zero?
            nil
          else
            known.sum { |one, answer| answer ? one.weight : 0 }.fdiv(whole)
          end
          [met, share]
        end
      end
    end
  end
end

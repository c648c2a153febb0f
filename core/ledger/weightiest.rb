# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      # Of any number of rows how many there were, and those that matter most, so that not all need be held.
      class Weightiest
        # So many times as many as are wanted are gathered before the others are let go.
        SLACK = 4

        # @return [Integer]
        attr_reader :total

        # @param most [Integer] how many are wanted
        # @yieldparam row [Object]
        # @yieldreturn [Array(Numeric, String)] what it weighs, and its URL, by which equal ones stand in order
        def initialize(most, &weight)
          @most = most
          @weight = weight
          @rows = []
          @total = 0
        end

        # @param row [Object]
        # @return [void]
        def <<(row)
          @total += 1
          @rows << row
          let_go if @rows.size > SLACK * @most
        end

        # @return [Array<Object>] at most as many as were wanted, the weightiest first
        def rows = let_go

        private

        def let_go
          @rows = @rows.sort_by { |row| @weight.call(row).then { |weight, url| [-(weight || 0), url] } }.first(@most)
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Review
      # One thing that a good page has: a column of the ledger, how it is compared and with what, and how much it
      # counts.
      Yardstick =
        Struct.new(:field, :op, :value, :weight, keyword_init: true) do
          const_set(:OPS, %w[at_least below is filled].freeze)
          # Ours, as a start.
          const_set(
            :DEFAULT,
            [
              {"field" => "words", "op" => "at_least", "value" => 300, "weight" => 2},
              {"field" => "clicks", "op" => "at_least", "value" => 1, "weight" => 3},
              {"field" => "impressions", "op" => "at_least", "value" => 100, "weight" => 1},
              {"field" => "links_in", "op" => "at_least", "value" => 3, "weight" => 2},
              {"field" => "unique_share", "op" => "at_least", "value" => 0.5, "weight" => 2},
              {"field" => "description", "op" => "filled", "value" => nil, "weight" => 1},
              {"field" => "fault_count", "op" => "below", "value" => 3, "weight" => 1}
            ].freeze
          )

          # @param given [Hash{String => Object}] field, op, value, weight
          # @return [Yardstick]
          # @raise [Error::InvalidInput]
          def self.read(given)
            field, op, value, weight = given.values_at("field", "op", "value", "weight")
            Ledger::Registry.fetch(field)
            unless self::OPS.include?(op)
              raise Error::InvalidInput.new(
                "“#{op}” is no way to compare; use one of #{self::OPS.join(", ")}."
              )
            end
            unless weight.is_a?(Numeric) && weight.positive?
              raise Error::InvalidInput.new("The weight of “#{field}” must be a number above 0.")
            end
            if %w[at_least below].include?(op) && !value.is_a?(Numeric)
              raise Error::InvalidInput.new("“#{field}” must be compared with a number.")
            end

            new(field: field, op: op, value: value, weight: weight)
          end

          # @param row [Hash{String => Object}] of the ledger
          # @return [Boolean, nil] whether it is met; nil where nothing is known
          def met?(row)
            found = row[field]
            return !(found.nil? || found == "" || found == []) if op == "filled"
            return if found.nil?

            case op
            when "at_least"
              found >= value
            when "below"
              found < value
            else
              found == value
            end
          end
        end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # How many URLs that match a pattern may be fetched: [{"pattern" => "*/tags/*", "most" => 100}].
        class Caps < Field
          MOST = 1..10_000_000

          def problems(value)
            unless value.is_a?(Array) && value.all?(Hash)
              return ["“#{name}” must be a list of patterns with a number each."]
            end

            value.filter_map { |cap| problem(cap) }
          end

          private

          def problem(cap)
            Url::Pattern.new(cap["pattern"])
            unless cap["most"].is_a?(Integer) && MOST.cover?(cap["most"])
              "How many URLs that match #{cap["pattern"]} may be fetched must be a whole number from 1 on."
            end
          rescue Error::InvalidInput => error
            error.message
          end
        end
      end
    end
  end
end

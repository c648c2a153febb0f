# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # A list of texts, each judged by itself.
        class List < Field
          # @param most [Integer] entries
          # @yieldparam text [String]
          # @yieldreturn [String, nil] what is wrong with it; nil where nothing is
          def initialize(name, most: 10_000, clean: nil, &judge)
            super(name, [])
            @most = most
            @clean = clean
            @judge = judge
          end

          def problems(value)
            return ["“#{name}” must be a list of texts."] unless value.is_a?(Array) && value.all?(String)
            return ["“#{name}” may hold #{@most} entries; these are #{value.size}."] if value.size > @most

            value.filter_map { |text| judged(text) }
          end

          def clean(value) = @clean ? value.map { |text| @clean.call(text) }.uniq : value

          private

          def judged(text)
            @judge.call(text)
          rescue Error::InvalidInput => error
            error.message
          end
        end
      end
    end
  end
end

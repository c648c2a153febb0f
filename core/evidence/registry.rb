# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # The kinds of evidence that files bring, one file each in kinds/.
      module Registry
        module_function

        # @return [Hash{String => Kind}] by code, in the order in which they are worth bringing
        def all
          @all ||=
            Kinds
              .constants
              .map { |name| Kinds.const_get(name)::KIND }
              .sort_by(&:place)
              .to_h { |kind| [kind.code, kind] }
              .freeze
        end

        # @param code [String]
        # @return [Kind]
        # @raise [Error::InvalidInput]
        def fetch(code)
          all.fetch(code) do
            raise Error::InvalidInput.new("There is no kind of evidence “#{code}”; use one of #{all.keys.join(", ")}.")
          end
        end
      end
    end
  end
end

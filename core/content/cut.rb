# frozen_string_literal: true

module IronTrellis
  module Core
    module Content
      # What a page says of itself is kept up to a length: whoever writes a title of five megabytes shall not fill our
      # memory with each reading of it.
      module Cut
        # Characters of one text, and items of one list.
        MOST_CHARS = 10_000
        MOST_ITEMS = 1_000

        module_function

        # @param value [Object] texts, in lists and hashes of any depth
        # @return [Object] the same, shortened
        # @example
        #   IronTrellis::Core::Content::Cut.deep(["lamp", 7]) # => ["lamp", 7]
        #   IronTrellis::Core::Content::Cut.deep("x" * 20_000).size # => 10000
        def deep(value)
          case value
          when String then (value.size > MOST_CHARS) ? value[0, MOST_CHARS] : value
          when Array then value.first(MOST_ITEMS).map { |one| deep(one) }
          when Hash then value.transform_values { |one| deep(one) }
          else value
          end
        end
      end
    end
  end
end

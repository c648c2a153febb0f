# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # One thing that a crawl keeps of a URL, declared once: the `name` of the column and of what rules see, and its
      # `value`, called with a Seen. What is only `kept` is for people, not for rules. What stands alone in a document
      # is an extractor instead (Registry).
      Observation =
        Struct.new(:name, :value, :kept, keyword_init: true) do
          # @return [Boolean]
          def seen_by_rules? = !kept
        end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Takes query parameters out of links as they are read: session ids, campaign marks. A name may end in * for all
      # that begin so ("utm_*"). Names are compared as they are written, with case.
      class DroppedParameters
        # @param names [Array<String>]
        def initialize(names)
          stems, whole = names.partition { |name| name.end_with?("*") }
          @whole = whole.to_h { |name| [name, true] }
          @stems = stems.map { |name| name.delete_suffix("*") }
        end

        # @param query [String] without its question mark
        # @return [String, nil] what is left, the query itself where nothing goes; nil where all of it went
        #   DroppedParameters.new(%w[sid utm_*]).call("a=1&sid=2&utm_source=x") # => "a=1"
        def call(query)
          pairs = query.split("&", -1)
          kept = pairs.reject { |pair| drop?(pair.partition("=").first) }
          return query if kept.size == pairs.size

          kept.join("&") unless kept.empty?
        end

        private

        def drop?(name) = @whole.key?(name) || @stems.any? { |stem| name.start_with?(stem) }
      end
    end
  end
end

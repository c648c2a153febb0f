# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Takes query parameters out of links as they are read: session ids, campaign marks. A name may end in * for all that
      # begin so ("utm_*"). Names are compared as they are written, with case.
      class DroppedParameters
        # @param names [Array<String>]
        def initialize(names)
          stems, whole = names.partition { |name| name.end_with?("*") }
          @whole = whole.to_h { |name| [name, true] }
          @stems = stems.map { |name| name.delete_suffix("*") }
        end

        # @param query [String] without its question mark
        # @return [String, nil] what is left; nil where nothing is
        #   DroppedParameters.new(%w[sid utm_*]).call("a=1&sid=2&utm_source=x") # => "a=1"
        def call(query)
          kept = query.split("&", -1).reject { |pair| drop?(pair.partition("=").first) }
          kept.join("&") unless kept.empty?
        end

        private

        def drop?(name) = @whole.key?(name) || @stems.any? { |stem| name.start_with?(stem) }
      end
    end
  end
end

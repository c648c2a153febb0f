# frozen_string_literal: true

module IronTrellis
  module Core
    module Canonicals
      # A canonical as it stands in a page: what was written, in which source ("html", "header"), and for HTML
      # whether in the head or the body.
      Named = Struct.new(:href, :source, :place, keyword_init: true) do
        # @return [Boolean] a canonical in the body is not used
        def usable? = place == "head"

        # @return [Boolean] whether it breaks the form: relative, empty, another scheme, a fragment
        def malformed?(resolver)
          !href.strip.match?(%r{\Ahttps?://}i) || href.include?("#") || resolver.call(href).nil?
        end

        # @return [String, nil] the URL it means; nil where it means none (empty, fragment only, not http(s))
        def target(resolver)
          written = href.strip
          return nil if written.empty? || written.start_with?("#")

          resolver.call(written)
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Directives
      # One robots directive list where it stands: in a meta element or in an X-Robots-Tag header.
      # `agent` is nil where it speaks to every crawler; `place` is "head" or "body" for meta, and `line` the
      # number of the header line for headers, so that an auditor finds it again.
      Directive = Struct.new(:source, :agent, :tokens, :place, :line, keyword_init: true) do
        # @param chosen [String] the site's agent token
        def for?(chosen) = agent.nil? || agent.casecmp?(chosen)

        def noindex? = tokens.include?("noindex") || tokens.include?("none")

        def nofollow? = tokens.include?("nofollow") || tokens.include?("none")

        # @return [String] "noindex in X-Robots-Tag, line 3 of the headers"
        def where
          return "the body's meta robots" if source == "meta" && place == "body"
          return "meta robots" if source == "meta"

          "X-Robots-Tag, line #{line} of the headers"
        end
      end
    end
  end
end

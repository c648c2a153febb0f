# frozen_string_literal: true

module IronTrellis
  module Core
    module Directives
      # What all directives of one answer come to for one agent: the most restrictive of all that apply wins.
      class Resolved
        # @param directives [Array<Directive>]
        # @param agent [String]
        def initialize(directives, agent)
          @applying = directives.select { |directive| directive.for?(agent) }
        end

        # @return [Directive, nil] the first that says noindex
        def noindex = @applying.find(&:noindex?)

        def noindex? = !noindex.nil?

        def nofollow? = @applying.any?(&:nofollow?)

        # @return [Boolean] whether a header says noindex while no meta element does
        def header_alone? = noindex? && @applying.none? { |one| one.source == "meta" && one.noindex? }
      end
    end
  end
end

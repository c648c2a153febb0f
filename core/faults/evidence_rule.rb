# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on what indexes, the search record and others say of a URL, held against what the crawl saw of it. These
      # rules look at URLs that only evidence knows, too.
      class EvidenceRule < Rule
        NOTHING = [].freeze

        # @param page [Subject] with evidence
        # @param basis [Core::Evidence::Basis] what evidence there is
        # @return [Array<Fault>]
        def call(page, basis)
          found = check(page, basis) or return NOTHING
          found.is_a?(Array) ? found.compact : [found]
        end

        # @param page [Subject]
        # @param basis [Core::Evidence::Basis]
        # @return [Fault, Array<Fault>, nil]
        def check(page, basis) =
          raise(NoMethodError, "#{self.class} must define check(page, basis), not #{page}#{basis}")
      end
    end
  end
end

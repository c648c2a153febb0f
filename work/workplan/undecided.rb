# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Missing URLs of which nobody knows yet what becomes of them: no route, no likely target, and too much worth to
      # be called gone.
      class Undecided
        MISSING = Core::Workplan::Settling::MISSING

        # @param run [Store::Judging::VerdictRun]
        # @param entries [Array<Core::Workplan::Entry>]
        def initialize(run, entries)
          @run = run
          @entries = entries
        end

        # @param url [String]
        # @return [Boolean]
        def call(url) = known.key?(url) && remedies.target(url).nil?

        private

        def known = @known ||= missing.to_h { |entry| [entry.url, true] }

        def missing = @entries.select { |entry| entry.code == MISSING }

        def remedies = @remedies ||= RemediesOfSite.for(@run, missing.map(&:as_json))
      end
    end
  end
end

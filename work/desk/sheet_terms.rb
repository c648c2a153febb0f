# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # The terms and checks of a page at the desk, as it is and as it is drafted, beside its rivals.
      class SheetTerms
        MOST_TERMS = 120

        # @param now [Core::Desk::Fit] of the page as it is
        # @param drafted [Core::Desk::Fit] of the page as it is drafted
        # @param against [Core::Desk::Rivals]
        def initialize(now, drafted, against)
          @now, @drafted, @against = now, drafted, against
        end

        # @return [Array<Hash>] for JSON: what the page says, then what it lacks of what most rivals say
        def terms
          known = @now.terms.first(MOST_TERMS)
          lacking = @now.lacking.first(MOST_TERMS / 2).reject { |one| known.any? { |term| term.key == one.key } }
          known.map { |one| term(one) } + lacking.map { |one| lacking(one) }
        end

        # @return [Array<Hash>] for JSON
        def checks =
          @now.checks.zip(@drafted.checks).map do |one, other|
            one.as_json.merge("about" => one.about, "drafted" => other.found, "drafted_met" => other.met)
          end

        private

        def term(one)
          {
            term: one.term,
            size: one.size,
            counts: one.counts.select { |_, times| times.positive? },
            share: one.share,
            drafted: in_draft(one.key),
            rivals: shared[one.key]&.to_h&.slice(:used_by, :median, :low, :high)
          }
        end

        def lacking(one) =
          {
            term: one.term,
            size: one.size,
            counts: {},
            share: 0.0,
            drafted: in_draft(one.key),
            rivals: one.to_h.slice(:used_by, :median, :low, :high)
          }

        def shared = @shared ||= @against.shared.to_h { |one| [one.key, one] }

        def in_draft(key)
          @in_draft ||= @drafted.terms.to_h { |one| [one.key, one] }
          @in_draft[key]&.counts.to_h.fetch("text", 0)
        end
      end
    end
  end
end

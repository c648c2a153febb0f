# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      # What the ladder is judged from, for one URL. `fetched` is whether it was asked for in this crawl, `whole`
      # whether that was a crawl of the whole site, `kept_out` whether it is meant to be kept out of the index: only
      # what really closes a page (the rungs 2 to 6) stops such a one, not that it is hard to find, thin or alike.
      # `standing`
      # and `standing_reason` are what the index says, nil without evidence.
      Evidence =
        Struct.new(
          :whole,
          :depth,
          :start,
          :embedded,
          :listed,
          :robots_allowed,
          :robots_line,
          :robots_rule,
          :robots_reachable,
          :robots_failure,
          :fetched,
          :status,
          :error,
          :redirect_to,
          :refresh_to,
          :noindex_where,
          :kind,
          :canonical,
          :canonical_state,
          :words,
          :word_floor,
          :soft_missing,
          :kept_out,
          :standing,
          :standing_reason,
          :wanted,
          keyword_init: true
        ) do
          # What rules see by the same name. Where it leads and what an index says is given besides.
          const_set(:SAME, (members & Faults::Subject.members - %i[redirect_to standing standing_reason]).freeze)

          # @param subject [Faults::Subject] with what a crawl says of it
          # @param given [Hash{Symbol => Object}] fetched, redirect_to, refresh_to, embedded, word_floor, and, where
          #   evidence speaks of it, standing and standing_reason
          # @return [Evidence]
          def self.of(subject, **given)
            new(
              **self::SAME.to_h { |name| [name, subject[name]] },
              listed: subject.in_sitemaps.any?,
              kept_out: subject.intent == "keep_out",
              **given
            )
          end
        end
    end
  end
end

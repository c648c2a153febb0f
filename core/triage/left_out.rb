# frozen_string_literal: true

module IronTrellis
  module Core
    module Triage
      # One URL that an index left out, with all that its class is told by. `seen` is what a look at it found, nil where
      # nobody looked; `canonical_in_index` whether the canonical that it names is in the index; `bare_known` whether
      # the address without its parameters is one of the site; `target` the best place for a redirect (a Suggestion),
      # `since` when the index first had it so.
      LeftOut =
        Struct.new(
          :url,
          :standing,
          :standing_reason,
          :standing_date,
          :since,
          :kept_under,
          :declared_canonical,
          :wanted,
          :intent,
          :group,
          :seen,
          :canonical_in_index,
          :bare_known,
          :links_in,
          :outside_links,
          :words,
          :clicks,
          :impressions,
          :dropped,
          :in_sitemaps,
          :copy_of,
          :soft_missing,
          :target,
          keyword_init: true
        ) do
          # @return [Boolean] whether it brought anything in all the time that is kept
          def visited? = clicks.to_i.positive? || impressions.to_i.positive?

          # @return [Boolean] whether any page links to it, of the site or of others
          def linked? = links_in.positive? || outside_links.to_i.positive?
        end
    end
  end
end

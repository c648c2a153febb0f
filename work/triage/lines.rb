# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Triage
      # What was sorted, as rows of a table.
      module Lines
        COLUMNS = %w[
          url
          standing
          class
          action
          target
          reasons
          status
          final_url
          checked_at
          links_in
          outside_links
          words
          clicks
          impressions
          group
          in_sitemaps
          first_seen
          copy_of
        ].freeze

        module_function

        # @param one [Core::Triage::Sorting::Sorted]
        # @return [Hash{String => Object}] by column
        def of(one)
          page = one.page
          seen = page.seen
          {
            "url" => page.url,
            "standing" => page.standing,
            "class" => one.kind,
            "action" => one.action,
            "target" => one.target,
            "reasons" => one.reasons,
            "status" => seen&.status,
            "final_url" => (seen.final_url || page.url if seen && !seen.blocked && seen.status),
            "checked_at" => seen&.at&.utc&.iso8601,
            "links_in" => page.links_in,
            "outside_links" => page.outside_links,
            "words" => page.words,
            "clicks" => page.clicks,
            "impressions" => page.impressions,
            "group" => page.group,
            "in_sitemaps" => page.in_sitemaps,
            "first_seen" => page.since&.iso8601,
            "copy_of" => page.copy_of
          }
        end
      end
    end
  end
end

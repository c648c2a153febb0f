# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Evidence
      # What evidence a site is judged by, and what its silence means: of which day the newest whole standings are
      # (`standings`, nil where there are only samples, or none), whether the search record of the middle window is
      # there and whole (`record`), that of queries (`queries`), of which day the newest whole links from other sites
      # are (`links`), whether any goals were brought (`goals`) and of which day the newest whole ones are
      # (`whole_goals`), whether the record covers the short and the middle window (`covers_short`, `covers_middle`),
      # the `windows`, whether any links were brought (`any_links`), and which day it is (`today`).
      Basis =
        Struct.new(
          :index,
          :standings,
          :newest_standings,
          :record,
          :any_record,
          :queries,
          :links,
          :any_links,
          :goals,
          :whole_goals,
          :covers_short,
          :covers_middle,
          :windows,
          :today,
          keyword_init: true
        ) do
          # @return [Basis] of a site to which nothing was brought
          def self.none = new

          # What a URL of the site comes to of which no evidence speaks.
          #
          # @return [Hash{String => Object}]
          def values_without_evidence
            {
              "standing" => standings && Standing::NOT_KNOWN,
              "standing_date" => standings,
              "clicks" => (0 if record),
              "impressions" => (0 if record),
              "queries" => (0 if queries),
              "outside_links" => (0 if links),
              "goals" => ([] if goals),
              "dropped" => false
            }
          end

          # @return [Hash{String => Object}] JSON values, for keeping with what was judged by it
          def to_json_values =
            {
              "index" => index,
              "standings" => newest_standings&.iso8601,
              "record" => windows&.newest&.iso8601,
              "windows" => windows&.spans&.transform_values { |days| [days.begin.iso8601, days.end.iso8601] },
              "links" => any_links || false,
              "goals" => goals || false
            }

          # @return [Boolean] whether there is anything to go by
          def any? = !newest_standings.nil? || any_record || any_links || goals || false
        end
    end
  end
end

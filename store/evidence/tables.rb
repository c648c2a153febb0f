# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # The tables by kind.
      module Tables
        RECORD = %w[clicks impressions position].freeze
        ALL = {
          "standings" => Table.new(
            name: "standings",
            key: %w[index_id day url_id],
            values: %w[state reason found_by first_seen last_fetched chosen_canonical]
          ),
          "pages" => Table.new(
            name: "search_pages",
            key: %w[index_id day dated url_id],
            values: RECORD,
            adding: true
          ),
          "queries" => Table.new(
            name: "search_queries",
            key: %w[index_id day dated url_id query_id],
            values: RECORD,
            adding: true
          ),
          "links" => Table.new(
            name: "outside_links",
            key: %w[day target_id source_id anchor],
            values: %w[source more]
          ),
          "logs" => Table.new(name: "log_hits", key: %w[day agent verified url_id status], values: %w[requests]),
          "goals" => Table.new(name: "goals", key: %w[day url_id goal], values: %w[count])
        }.freeze

        # @param kind [String]
        # @return [Table]
        def self.fetch(kind) = ALL.fetch(kind)
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What crawlers fetched by access logs.
      module LogHits
        COLUMNS = %w[site_id import_id day agent verified url_id status requests].freeze

        module_function

        # @param import [Import]
        # @param counts [Hash{Array => Integer}] requests by day, agent, verified, URL id and status
        # @return [void]
        def add(import, counts)
          Postgres::BulkCopy.new("log_hits", COLUMNS).call(
            "log_hits",
            counts.map { |key, requests| [import.site_id, import.id, *key, requests] }
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Redirects
      # What a server answered to the source of a route when it was last asked.
      class RouteTest < Postgres::Record
        self.table_name = "route_tests"

        # @param site_id [Integer]
        # @param source [String]
        # @param found [Hash] status, location, error, right
        # @param now [Time]
        # @return [void]
        def self.keep(site_id, source, found, now)
          upsert({site_id: site_id, source: source, tested_at: now, **found}, unique_by: :route_tests_by_source)
        end

        # @return [Hash] for JSON
        def view = {status: status, location: location, error: error, right: right, tested_at: tested_at.utc.iso8601(3)}
      end
    end
  end
end

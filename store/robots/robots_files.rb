# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Robots
      # The robots.txt of each origin, once a crawl.
      module RobotsFiles
        module_function

        # @param crawl_id [Integer]
        # @return [Array<Hash>] origin, status, error, error_detail, body
        def all(crawl_id) =
          Postgres::Sql.rows(
            "SELECT origin, status, error, error_detail, body FROM robots_files WHERE crawl_id = $1",
            [crawl_id]
          )

        # @param crawl_id [Integer]
        # @param agent [String]
        # @return [Hash{String => Core::Robots::Policy}] by origin, what its robots.txt says to that agent
        def policies(crawl_id, agent)
          all(crawl_id).to_h do |row|
            status, text = row.values_at("status", "body")
            [row["origin"], Core::Robots::Policy.from_answer(status: status, text: text, agent: agent)]
          end
        end

        # @param crawl_id [Integer]
        # @return [Boolean] whether no host gave any answer to the question for its robots.txt
        def none_answered?(crawl_id) = all(crawl_id).then { |rows| rows.any? && rows.all? { |row| row["error"] } }

        # @param crawl_id [Integer]
        # @param result [Core::Robots::Fetched]
        # @param now [Time]
        # @return [Boolean] whether it was the first to say
        def keep(crawl_id, result, now)
          values =
            [crawl_id, *result.to_h.values_at(:origin, :status, :error, :error_detail, :body), now.utc.iso8601(6)]
          Postgres::Sql.run(<<~SQL, values).cmd_tuples == 1
            INSERT INTO robots_files (crawl_id, origin, status, error, error_detail, body, fetched_at)
            VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT DO NOTHING
          SQL
        end
      end
    end
  end
end

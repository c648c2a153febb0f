# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # Answers that were none, as they come in, for those who watch a crawl.
      module FetchErrors
        module_function

        # @param crawl_id [Integer]
        # @param outcomes [Array<Core::Crawling::Outcome>] fetched ones
        # @param now [Time]
        # @return [void]
        def keep(crawl_id, outcomes, now)
          bad = outcomes.select { |one| one.answer.error || (one.answer.status || 0) >= 400 }
          return if bad.empty?

          rows =
            bad.map do |one|
              [one.item.id, one.item.url, one.answer.status, one.answer.error, one.answer.error_detail&.delete("\0")]
            end
          Postgres::Sql.run(<<~SQL, [crawl_id, now.utc.iso8601(6), *Postgres::Sql.columns(rows)])
            INSERT INTO crawl_troubles (crawl_id, at, url_id, url, status, error, detail)
            SELECT $1, $2, * FROM unnest($3::bigint[], $4::text[], $5::integer[], $6::text[], $7::text[])
          SQL
        end

        # @param crawl_id [Integer]
        # @param count [Integer]
        # @return [Array<Hash>] at, url_id, url, status, error, detail; newest first
        def newest(crawl_id, count)
          Postgres::Sql.rows(
            "SELECT at, url_id, url, status, error, detail FROM crawl_troubles WHERE crawl_id = $1 ORDER BY at DESC, " \
            "url_id LIMIT $2",
            [crawl_id, count]
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

require "digest"
require "json"
require "time"

module IronTrellis
  module Store
    module Desk
      # What was read of pages that are worked on, and of those that they are held against: by what they are called, an
      # address or the name of a file.
      class Reads
        KEEP = <<~SQL
          INSERT INTO desk_reads (site_id, source_digest, source, page, problem, read_at)
          VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (site_id, source_digest) DO UPDATE SET
            page = coalesce(excluded.page, desk_reads.page), problem = excluded.problem, read_at = excluded.read_at
        SQL

        # @param site [Sites::Site]
        def initialize(site)
          @site = site
        end

        # @param source [String]
        # @param page [Core::Desk::Page, nil] nil where it couldn't be had
        # @param now [Time]
        # @param problem [String, nil] why
        # @return [void]
        def keep(source, page, now:, problem: nil) =
          Postgres::Sql.run(
            KEEP,
            [@site.id, digest(source), source, json(page), problem, now.utc.iso8601(3)]
          )

        # @param sources [Array<String>]
        # @return [Hash{String => Hash}] by source its page (Core::Desk::Page, nil where it couldn't be had), problem
        #   and read_at
        def of(sources)
          rows =
            Postgres::Sql.rows(
              "SELECT source, page, problem, read_at FROM desk_reads WHERE site_id = $1 AND source = ANY($2::text[])",
              [@site.id, Postgres::Sql.array(sources)]
            )
          rows.to_h do |row|
            page = row["page"] && Core::Desk::Page.of(row["page"])
            [row["source"], {page: page, problem: row["problem"], read_at: row["read_at"]}]
          end
        end

        private

        # PostgreSQL takes no NUL.
        def json(page) = page && JSON.generate(page.as_json).gsub('\u0000', "")

        def digest(source) = {value: Digest::SHA256.digest(source), format: 1}
      end
    end
  end
end

# frozen_string_literal: true

require "json"
require "time"

module IronTrellis
  module Store
    module Evidence
      # What the newest look at each URL found, outside of any crawl.
      module LiveChecks
        PUT = <<~SQL
          INSERT INTO live_checks (site_id, url_id, checked_at, status, error, final_url, final_status, facts)
          SELECT $1, * FROM unnest($2::bigint[], $3::timestamptz[], $4::integer[], $5::text[], $6::text[],
            $7::integer[], $8::jsonb[])
          ON CONFLICT (site_id, url_id) DO UPDATE SET checked_at = excluded.checked_at, status = excluded.status,
            error = excluded.error, final_url = excluded.final_url, final_status = excluded.final_status, facts =
            excluded.facts
        SQL
        PORTION = 5_000

        module_function

        # @param site [Sites::Site]
        # @param found [Hash{String => Core::Triage::Seen}] by URL
        # @return [void]
        def keep(site, found)
          ActiveRecord::Base.transaction do
            found.each_slice(PORTION) do |some|
              Postgres::Sql.run(PUT, [site.id, *Postgres::Sql.columns(some.map { |url, seen| row(site, url, seen) })])
            end
          end
        end

        def row(site, url, seen) = [
          Core::Url::NormalForm.id(site.id, url),
          seen.at.utc.iso8601(6),
          seen.status,
          seen.error,
          seen.final_url,
          seen.end_status,
          JSON.generate(seen.facts)
        ]
        private_class_method :row
      end
    end
  end
end

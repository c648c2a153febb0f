# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What the newest look at each URL found, outside of any crawl.
      module LiveChecks
        PUT = <<~SQL
          INSERT INTO live_checks (site_id, url_id, checked_at, status, error, final_url, final_status, facts)
          VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
          ON CONFLICT (site_id, url_id) DO UPDATE SET checked_at = excluded.checked_at, status = excluded.status,
            error = excluded.error, final_url = excluded.final_url, final_status = excluded.final_status, facts =
            excluded.facts
        SQL

        module_function

        # @param site [Sites::Site]
        # @param found [Hash{String => Core::Triage::Seen}] by URL
        # @return [void]
        def keep(site, found)
          ActiveRecord::Base.transaction do
            found.each do |url, seen|
              id = Core::Url::NormalForm.id(site.id, url)
              Postgres::Sql.run(
                PUT,
                [site.id, id, seen.at.utc.iso8601(6), seen.status, seen.error, seen.final_url, seen.end_status,
                  JSON.generate(seen.facts)]
              )
            end
          end
        end
      end
    end
  end
end

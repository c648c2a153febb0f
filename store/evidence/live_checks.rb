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
        # What no crawl read shows what was seen when it was looked at.
        SHOW = <<~SQL
          UPDATE %<ledger>s l SET status = v.status FROM live_checks v
          WHERE v.site_id = $1 AND v.url_id = l.url_id AND l.url_id = ANY($2::bigint[]) AND l.found_by = '{index}'
        SQL
        PORTION = 5_000

        module_function

        # @param site [Sites::Site]
        # @param found [Hash{String => Core::Triage::Seen}] by URL
        # @return [void]
        def keep(site, found)
          run = site.newest_crawl&.verdict_run
          ActiveRecord::Base.transaction do
            found.each_slice(PORTION) do |some|
              rows = some.map { |url, seen| row(site, url, seen) }
              Postgres::Sql.run(PUT, [site.id, *Postgres::Sql.columns(rows)])
              show(run, site, rows.map(&:first)) if run
            end
          end
        end

        def show(run, site, ids)
          sql = format(SHOW, ledger: Postgres::Partitions.name("ledger_rows", run.id))
          Postgres::Sql.run(sql, [site.id, Postgres::Sql.array(ids)])
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
        private_class_method :show, :row
      end
    end
  end
end

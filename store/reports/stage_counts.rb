# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # The live number of each stage that has screens.
      module StageCounts
        module_function

        # @param crawl [Crawling::Crawl]
        # @return [Hash] urls and seconds of the crawl, wanted pages and those of them that stop, groups nobody decided
        #   about
        def of(crawl)
          run = crawl.verdict_run
          seconds = crawl.started_at && crawl.fetching_ended_at && (crawl.fetching_ended_at - crawl.started_at).round(1)
          base = {fetched: Crawling::Progress.of(crawl).fetched, seconds: seconds}
          if run
            base.merge(wanted(run))
          else
            base.merge(wanted: nil, wanted_stopping: nil, stopping: nil, undecided_groups: nil)
          end
        end

        def wanted(run)
          Postgres::Sql.rows(<<~SQL, [run.id]).first.transform_keys(&:to_sym)
            SELECT coalesce(sum(pages) FILTER (WHERE wanted), 0)::bigint AS wanted,
              coalesce(sum(pages) FILTER (WHERE wanted AND stop <> ''), 0)::bigint AS wanted_stopping,
              coalesce(sum(pages) FILTER (WHERE stop <> ''), 0)::bigint AS stopping,
              count(DISTINCT "group") FILTER (WHERE intent = 'undecided') AS undecided_groups
            FROM rollups WHERE run_id = $1
          SQL
        end
        private_class_method :wanted
      end
    end
  end
end

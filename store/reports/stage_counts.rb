# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # The live number of each stage that has screens.
      module StageCounts
        DONE = [*Core::Workplan::States::SETTLED, Core::Workplan::States::CLAIMED].freeze

        module_function

        # @param crawl [Crawling::Crawl]
        # @return [Hash] urls and seconds of the crawl, wanted pages and those of them that stop, groups nobody decided
        #   about, and of the site's fixes how many are to be done, how many hours of them are laid out, and how
        #   many are proved (nil where none were made yet)
        def of(crawl)
          run = crawl.verdict_run
          seconds = crawl.started_at && crawl.fetching_ended_at && (crawl.fetching_ended_at - crawl.started_at).round(1)
          base = {fetched: Crawling::Progress.of(crawl).fetched, seconds: seconds, **fixes(crawl.site)}
          if run
            base.merge(wanted(run))
          else
            base.merge(wanted: nil, wanted_stopping: nil, stopping: nil, undecided_groups: nil)
          end
        end

        def fixes(site)
          return {fixes: nil, hours: nil, proved: nil} unless site.fixes_made_at

          fixes = Workplan::Fix.of(site)
          open = fixes.where.not(state: DONE)
          {
            fixes: open.count,
            hours: open.where.not(start: nil).sum(:hours).round(1),
            proved: fixes.where(state: Core::Workplan::States::PROVED).count
          }
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
        private_class_method :fixes, :wanted
      end
    end
  end
end

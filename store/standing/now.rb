# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Standing
      # Where the pages of a run stand in the index by its newest evidence, and what changed since the evidence before.
      class Now
        MOST_GROUPS = 5
        IN = Core::Evidence::Standing::IN_INDEX

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
        end

        # @return [Hash] date, before (dates, nil where there is none), fields ([{wanted, in, urls, change, groups
        #   ([{group, urls, change}])}]), groups ([{group, states, wanted, urls}]), states ([{state, urls, change}])
        def call
          days = self.days
          now, before = days.first(2)
          rows = rows_of(now)
          earlier = before ? rows_of(before) : nil
          {
            date: now&.iso8601,
            before: before&.iso8601,
            fields:
              [[true, true], [true, false], [false, true], [false, false]].map { |one| field(*one, rows, earlier) },
            groups: groups(rows),
            states: states(rows, earlier)
          }
        end

        private

        def days =
          Postgres::Sql
            .rows("SELECT DISTINCT day FROM standing_rollups WHERE run_id = $1 ORDER BY day DESC", [@run.id])
            .map { |row| row["day"] }

        def rows_of(day)
          return [] unless day

          Postgres::Sql.rows(
            'SELECT "group", wanted, standing, urls FROM standing_rollups WHERE run_id = $1 AND day = $2',
            [@run.id, day.iso8601]
          )
        end

        def field(wanted, inside, rows, earlier)
          mine = ->(all) { all.select { |row| row["wanted"] == wanted && (row["standing"] == IN) == inside } }
          here, there = mine.call(rows), earlier && mine.call(earlier)
          {
            wanted: wanted,
            in: inside,
            urls: sum(here),
            change: there && sum(here) - sum(there),
            groups: by_group(here, there)
          }
        end

        def by_group(here, there)
          before = there ? there.group_by { |row| row["group"] } : {}
          here
            .group_by { |row| row["group"] }
            .map do |name, all|
              {group: name, urls: sum(all), change: there && sum(all) - sum(before.fetch(name, []))}
            end
            .sort_by { |one| [-one[:urls], one[:group]] }
            .first(MOST_GROUPS)
        end

        def groups(rows)
          rows
            .group_by { |row| row["group"] }
            .map do |name, all|
              {
                group: name,
                urls: sum(all),
                wanted: sum(all.select { |row| row["wanted"] }),
                states: all.group_by { |row| row["standing"] }.transform_values { |some| sum(some) }
              }
            end
            .sort_by { |one| [-one[:urls], one[:group]] }
        end

        def states(rows, earlier)
          before = (earlier || []).group_by { |row| row["standing"] }
          now = rows.group_by { |row| row["standing"] }
          Core::Evidence::Standing::STATES.filter_map do |state|
            urls, was = sum(now.fetch(state, [])), sum(before.fetch(state, []))
            {state: state, urls: urls, change: earlier && urls - was} if urls.positive? || was.positive?
          end
        end

        def sum(rows) = rows.sum { |row| row["urls"] }
      end
    end
  end
end

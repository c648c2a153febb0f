# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # The overview: for each page group, how many pages climb and how many stop at each rung, from the run's rollups.
      class Trellis
        READINGS = {"all" => "true", "wanted" => "wanted", "strays" => "intent = 'keep_out'"}.freeze
        RUNGS = Core::Ladder::Climb::NAMES
        BY_EVIDENCE = Core::Ladder::Rungs::Indexed::NAME

        # @param run [Judging::VerdictRun]
        # @param reading [String] "all", "wanted" or "strays"
        # @raise [Core::Error::InvalidInput]
        def initialize(run, reading)
          @run = run
          @condition = READINGS.fetch(reading) do
            raise Core::Error::InvalidInput.new(
                    "“#{reading}” is no reading of the trellis; use one of #{READINGS.keys.join(", ")}."
                  )
          end
        end

        # @return [Hash] rungs ([{name, judged}]), groups ([{name, pages, stops: {rung => n}, through}]) with most pages
        #   first, and for the heading: pages, stopping, wanted (of the whole run)
        def call
          groups =
            rows
              .group_by { |row| row["group"] }
              .map { |name, stops| group(name, stops) }
              .sort_by { |one| [-one[:pages], one[:name]] }
          {
            rungs: RUNGS.map { |name| {name: name, judged: judged?(name)} },
            groups: groups,
            pages: groups.sum { |one| one[:pages] },
            stopping: groups.sum { |one| one[:pages] - one[:through] },
            wanted:
              Postgres::Sql.rows(
                "SELECT coalesce(sum(pages), 0)::bigint AS wanted FROM rollups WHERE run_id = $1 AND wanted",
                [@run.id]
              ).first[
                "wanted"
              ]
          }
        end

        private

        # Without evidence of an index nobody knows who stops at its rung.
        def judged?(name) = name != BY_EVIDENCE || !@run.evidence["standings"].nil?

        def rows
          Postgres::Sql.rows(
            'SELECT "group", stop, sum(pages)::bigint AS pages FROM rollups ' \
            "WHERE run_id = $1 AND #{@condition} GROUP BY 1, 2",
            [@run.id]
          )
        end

        def group(name, rows)
          stops = rows.to_h { |row| [row["stop"], row["pages"]] }
          {name: name, pages: stops.values.sum, through: stops.fetch("", 0), stops: stops.except("")}
        end
      end
    end
  end
end

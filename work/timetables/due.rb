# frozen_string_literal: true

module IronTrellis
  module Work
    module Timetables
      # What begins by itself when its time has come: crawls, the building of sitemaps, looks at indexes, alerts; and
      # the end of crawls of which nobody is heard any more.
      module Due
        ALL = [
          ->(now) { Crawling::Watch.end_abandoned(now) },
          ->(now) { Crawling::Runs.start_due(now) },
          ->(now) { Sitemaps::Building.ask_due(now) },
          ->(now) { Evidence::Indexes.pull_due(now) },
          ->(now) { Alerts::Watching.look_due(now) }
        ].freeze
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # When a site is crawled again by itself.
      class Timetable < Postgres::Record
        self.table_name = "timetables"

        DUE = <<~SQL
          SELECT t.* FROM timetables t JOIN sites s ON s.id = t.site_id AND s.removed_at IS NULL WHERE t.next_at <= $1
            AND NOT EXISTS (SELECT 1 FROM crawls c WHERE c.site_id = t.site_id AND c.state = ANY($2::text[]))
          ORDER BY t.next_at LIMIT 1 FOR UPDATE OF t SKIP LOCKED
        SQL

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        # @param site [Sites::Site]
        # @param settings [Core::Settings::Timetable, nil] nil for no repeating
        # @param now [Time]
        # @return [void]
        def self.keep(site, settings, now)
          where(site_id: site.id).delete_all
          if settings
            create!(site: site, cron: settings.cron, time_zone: settings.time_zone, next_at: settings.next_after(now))
          end
        end

        # Takes one whose time has come, unless its site is being crawled anyway; it then counts as run, however often
        # it was missed.
        #
        # @param now [Time]
        # @yieldparam site [Sites::Site]
        # @return [Boolean] whether there was one
        def self.take_due(now)
          transaction do
            due =
              find_by_sql([DUE.gsub("$1", "?").sub("$2", "ARRAY[?]"), now, Crawl::FETCHING + [Crawl::JUDGING]]).first
            next false unless due

            due.update!(last_at: now, next_at: due.settings.next_after(now))
            yield due.site
            true
          end
        end

        # @return [Core::Settings::Timetable]
        def settings = Core::Settings::Timetable.new(cron: cron, time_zone: time_zone)
      end
    end
  end
end

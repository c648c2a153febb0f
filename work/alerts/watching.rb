# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Alerts
      # Looks after each crawl, and once a day, whether there is anything that somebody has to hear of; tells it once.
      class Watching
        DAY = 24 * 3600
        DUE = "coalesce(alert_settings->>'looked_on', '') < ?"

        # Looks at each site once a day.
        #
        # @param now [Time]
        # @return [void]
        def self.look_due(now)
          today = now.to_date.iso8601
          Store::Sites::Site.where(removed_at: nil).where(DUE, today).find_each do |site|
            site.update!(alert_settings: site.alert_settings.merge("looked_on" => today))
            new(site, now: now).daily if site.newest_crawl&.verdict_run
          end
        end

        # @param site [Store::Sites::Site]
        # @param ids [Array<Integer>] of alerts that somebody has seen
        # @param now [Time]
        # @return [void]
        def self.seen(site, ids, now:) =
          Store::Alerts::Alert.of(site).where(id: ids, seen_at: nil).update_all(seen_at: now)

        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site = site
          @now = now
          @limits = Settings.new(site).limits
        end

        # After a crawl was judged and the fixes were made.
        #
        # @return [Array<Store::Alerts::Alert>] what is new
        def after_crawl
          crawl = @site.newest_crawl
          before = crawl && @site.crawl_before(crawl)&.verdict_run
          found = before ? compared(crawl, before) : []
          keep(found + Core::Alerts::Changes.new(crawl&.number.to_i, @limits).hides(hides))
        end

        # What time alone brings.
        #
        # @return [Array<Store::Alerts::Alert>] what is new
        def daily
          changes = Core::Alerts::Changes.new(@site.newest_crawl&.number.to_i, @limits)
          keep(changes.hides(hides) + unused(changes))
        end

        private

        def keep(found)
          Store::Alerts::Alert.keep(@site, found, @now).tap { |new| Sending.ask(@site, new) if new.any? }
        end

        def compared(crawl, before)
          differences = Store::Alerts::Differences.new(crawl.verdict_run, before)
          changes = Core::Alerts::Changes.new(crawl.number, @limits)
          [
            changes.fallen(differences.fallen),
            *changes.rungs(differences.fallen, differences.wanted),
            *changes.robots(differences.robots),
            changes.noindex(differences.noindex),
            *changes.sitemaps(differences.sitemaps),
            *changes.returned(returned(crawl))
          ].compact
        end

        def returned(crawl) =
          Store::Workplan::Fix
            .of(@site)
            .where(state: Core::Workplan::States::RETURNED)
            .select { |fix| fix.history.last["why"].to_s.end_with?("crawl #{crawl.number}") }

        def hides
          Requests::Overview
            .new(@site, now: @now)
            .hides
            .reject { |one| one[:fix_state] == Core::Workplan::States::PROVED }
        end

        def unused(changes)
          Store::Evidence::Index
            .of(@site)
            .where.not(address: nil)
            .filter_map do |index|
              yesterday = @now.to_date - 1
              old = Store::Requests::FetchRequest.waiting(index).where(entered_at: ..(@now - DAY)).count
              next if old.zero? || Store::Requests::FetchRequest.used(index, yesterday).positive?

              changes.unused(index.name, old, yesterday)
            end
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Requests
      # What indexes are to be asked for, and what became of what was: fetching again, and hides with their end.
      class Overview
        Request = Store::Requests::FetchRequest
        WARN_DAYS = 14

        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site = site
          @now = now
          @queue = Queue.new(site, now: now)
        end

        # @return [Hash] indexes (each with its quota, how much of it is used, and its queue by day), past ([{url, …,
        #   outcome}], the newest first) and hides
        def call
          {
            indexes: Store::Evidence::Index.of(@site).map { |index| build_row(index) },
            past: past,
            hides: hides,
            warn_days: WARN_DAYS
          }
        end

        # @return [Array<Hash>] what is hidden, each with the fix that is to stand behind it when it ends
        def hides
          lasting = lasting_fixes
          Store::Requests::Hides.of(@site).map do |row|
            left = (row["ends_on"] - @now.to_date).to_i
            fix = lasting[row["url"]]
            {
              index_id: row["index_id"],
              index: row["index"],
              url: row["url"],
              asked_on: row["asked_on"].iso8601,
              ends_on: row["ends_on"].iso8601,
              days_left: left,
              soon: left.between?(0, WARN_DAYS) && !row["only_copy"],
              only_copy: row["only_copy"],
              fix: fix&.name,
              fix_state: fix&.state
            }
          end
        end

        private

        def build_row(index)
          {
            id: index.id,
            name: index.name,
            by_interface: !index.address.nil?,
            quota: @queue.quota(index),
            used: Request.used(index, @now.to_date),
            queue:
              @queue.days(index).first(Request::MOST).map do |one, day|
                {id: one.id, url: one.url, importance: one.importance, why: one.why, day: day.iso8601}
              end,
            waiting: Request.waiting(index).count
          }
        end

        def past
          rows =
            Request
              .where(site_id: @site.id)
              .where.not(state: Request::WAITING)
              .order(Arel.sql("coalesce(asked_at, entered_at) DESC, id DESC"))
              .limit(Request::MOST)
              .to_a
          outcomes = Request.outcomes(rows.map(&:id))
          names = Store::Evidence::Index.of(@site).pluck(:id, :name).to_h
          rows.map do |one|
            outcome = outcomes.fetch(one.id, {})
            {
              url: one.url,
              index: names[one.index_id],
              state: one.state,
              reason: one.reason,
              why: one.why,
              asked_at: one.asked_at&.iso8601,
              standing: outcome["standing"],
              fetched_on: (outcome["last_fetched"]&.iso8601 if outcome["days"]),
              days: outcome["days"]
            }
          end
        end

        def lasting_fixes
          intent_rules = @site.intent_rules
          kept_out = ->(url) { intent_rules.rule_for(url)&.intent == "keep_out" }
          Store::Workplan::Fix.of(@site).order(:number).each_with_object({}) do |fix, found|
            fix.faults.each { |one| found[one["url"]] = fix if Core::Workplan::Kinds.lasting?(one, kept_out) }
          end
        end
      end
    end
  end
end

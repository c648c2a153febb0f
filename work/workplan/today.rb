# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # What a person has to do about a site today, in words, what is most pressing first.
      class Today
        States = Core::Workplan::States
        Fix = Store::Workplan::Fix
        TO_DO = [States::PLANNED, States::HANDED_OVER, States::PARTLY, States::NOT_DONE, States::RETURNED].freeze
        # One line: what, and which screen shows it.
        Line = Struct.new(:text, :screen, keyword_init: true)

        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site = site
          @now = now
          @today = now.to_date
        end

        # @return [Array<Hash>] text and screen of each line; none where there is nothing to do
        def call = [alerts, late, due, returned, claimed, hides, requests].compact.map(&:to_h)

        private

        def fixes = Fix.of(@site).where(state: TO_DO)

        def alerts
          line(
            Store::Alerts::Alert.of(@site).where(seen_at: nil).count,
            "alert",
            "alerts",
            "to look at",
            "prove/alerts"
          )
        end

        def late = line(fixes.where(finish: ...@today).count, "fix is", "fixes are", "late", "plan/workplan")

        def due
          day = fixes.where(start: ..@today, finish: @today..)
          line(day.count, "fix is", "fixes are", "laid out for today", "plan/workplan")
        end

        def returned =
          line(
            Fix.of(@site).where(state: States::RETURNED).count,
            "proved fix",
            "proved fixes",
            "came back",
            "prove/proofs?state=returned"
          )

        def claimed =
          line(
            Fix.of(@site).where(state: States::CLAIMED).count,
            "fix is",
            "fixes are",
            "said to be done and not proved yet",
            "prove/proofs?state=claimed"
          )

        def hides
          soon = Requests::Overview.new(@site, now: @now).hides.count { |one| one[:soon] }
          line(
            soon,
            "hide ends",
            "hides end",
            "within #{Requests::Overview::WARN_DAYS} days",
            "plan/requests?view=hides"
          )
        end

        def requests
          Store::Evidence::Index
            .of(@site)
            .filter_map do |index|
              waiting = Store::Requests::FetchRequest.waiting(index).count
              queue = Requests::Queue.new(@site, now: @now)
              left = [queue.quota(index) - Store::Requests::FetchRequest.used(index, @today), waiting].min
              Line.new(text: "#{left} requests to #{index.name} can be sent today", screen: "plan/requests") if left > 0
            end
            .first
        end

        def line(number, one, many, rest, screen)
          Line.new(text: "#{number} #{(number == 1) ? one : many} #{rest}", screen: screen) if number.positive?
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Proofs
      # Keeps with a fix what was found of its conditions, and makes its state what that comes to.
      class Recording
        States = Core::Workplan::States
        FETCH = "fetch"

        # @param fix [Store::Workplan::Fix]
        # @param now [Time]
        def initialize(fix, now:)
          @fix = fix
          @now = now
        end

        # @param verdict [Core::Proofs::Verdict]
        # @param by [String, nil] who asked
        # @return [void]
        def by_fetch(verdict, by: nil)
          ActiveRecord::Base.transaction do
            keep(verdict, FETCH)
            state = verdict.state
            next if state == States::CLAIMED

            @fix.become(state, now: @now, by: by, why: "seen by a fetch")
            request_pages if state == States::PROVED
          end
        end

        # @param verdict [Core::Proofs::Verdict]
        # @param number [Integer] of the crawl
        # @return [void]
        def by_crawl(verdict, number)
          keep(verdict, "crawl #{number}")
          state = verdict.state
          @fix.become(state, now: @now, why: "seen by crawl #{number}", crawl: number) unless state == States::CLAIMED
          request_pages if state == States::PROVED
        end

        # @param faults [Array<Hash>] that are none any more, though nothing was mended
        # @param why [String]
        # @return [void]
        def lapse(faults, why)
          @fix.lapsed |= faults
          @fix.save!
          @fix.become(States::LAPSED, now: @now, why: "lapsed: #{why}") if @fix.standing.empty?
        end

        # What a crawl found, whatever the state.
        #
        # @param verdict [Core::Proofs::Verdict]
        # @param number [Integer] of the crawl
        # @return [void]
        def note(verdict, number) = keep(verdict, "crawl #{number}")

        private

        # An index has to look at what is mended. A page of which another fix isn't proved waits for that.
        def request_pages
          urls = @fix.urls.map { |one| one["url"] }
          free = urls - Store::Workplan::Fix.unsettled(@fix.site, urls)
          Requests::Queue.new(@fix.site, now: @now).enter(free, why: "#{@fix.name} is proved") if free.any?
        end

        def keep(verdict, by)
          @fix.update!(
            proof: {
              at: @now.utc.iso8601,
              by: by,
              conditions: verdict.found.map { |one| build_condition(one) }
            },
            hours: remaining_hours(verdict)
          )
        end

        def build_condition(found) =
          {
            url: found.condition.url,
            condition: found.condition.text,
            code: found.condition.code,
            about: found.condition.about,
            key: found.condition.key,
            met: found.met,
            found: found.found,
            cached: found.cached || false
          }

        # Of what is done in part only the rest takes time.
        def remaining_hours(verdict)
          return @fix.hours unless verdict.state == States::PARTLY && !@fix.hand_made

          Core::Workplan::Effort
            .new(Workplan::WorkplanSettings.new(@fix.site).effort)
            .of(Core::Workplan::Draft.of_faults(@fix, verdict.unmet.map { |one| one.condition.to_fault }))
        end
      end
    end
  end
end

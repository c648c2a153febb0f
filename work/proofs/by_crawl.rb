# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # What a new crawl says of the fixes of a site: those that were done are proved, in part or not, and those that
      # were proved may have returned. What the crawl didn't read is asked for.
      class ByCrawl
        States = Core::Workplan::States
        # Whose state the crawl tells, once all of it is said.
        SAID = [States::CLAIMED, States::PARTLY, States::NOT_DONE].freeze
        # These change only where nothing is left of them.
        WAITING = [States::HANDED_OVER, States::RETURNED].freeze
        LOOKED_AT = [*SAID, *WAITING, States::PROVED].freeze

        # @param site [Store::Sites::Site]
        # @param run [Store::Judging::VerdictRun] of the new crawl
        # @param entries [Array<Core::Workplan::Entry>] what is to be mended by it
        # @param gone [GoneFaults] what came of the faults of fixes
        # @param lapse [Lapse] why those that lapsed did
        # @param now [Time]
        def initialize(site, run, entries, gone, lapse, now:)
          @site = site
          @run = run
          @crawl = run.crawl
          @entries = entries.group_by(&:key)
          @gone, @lapse, @now = gone, lapse, now
        end

        # @return [void]
        def call
          fixes = Store::Workplan::Fix.of(@site).where(state: LOOKED_AT).order(:number).to_a
          @faults = fixes.flat_map(&:faults)
          fixes.each { |fix| look_at(fix) }
        ensure
          @looking&.close
        end

        private

        def look_at(fix)
          return proved(fix) if fix.state == States::PROVED
          return if SAID.include?(fix.state) && after_crawl?(fix)

          lapse(fix)
          return if fix.state == States::LAPSED

          SAID.include?(fix.state) ? said(fix) : waited(fix)
        end

        # What was said to be done while it crawled it may have read before.
        def after_crawl?(fix) = fix.claimed_at && @crawl.started_at && fix.claimed_at > @crawl.started_at

        # What somebody judges otherwise is no condition any more; where nothing is left the fix is none.
        def lapse(fix)
          lapsed = fix.standing.select { |fault| @gone.of(fault) == GoneFaults::LAPSED }
          Recording.new(fix, now: @now).lapse(lapsed, @lapse.why(lapsed)) if lapsed.any?
        end

        def said(fix)
          verdict = verdict(fix)
          Recording.new(fix, now: @now).by_crawl(verdict, @crawl.number) if verdict.found.any?
        end

        def waited(fix)
          verdict = verdict(fix, asked: false)
          Recording.new(fix, now: @now).by_crawl(verdict, @crawl.number) if verdict.state == States::PROVED
        end

        # A cache may show the crawl what is long mended.
        def proved(fix)
          back = fix.standing.select { |fault| @entries.key?(key(fault)) }
          return if back.empty?

          broken, whole = conditions(fix).partition { |one| back.any? { |fault| about?(one, fault) } }
          found = looked(broken)
          return if found.any? && found.all?(&:met)

          verdict = Core::Proofs::Verdict.new(found + whole.map { |one| by_crawl(one) })
          ActiveRecord::Base.transaction do
            Recording.new(fix, now: @now).note(verdict, @crawl.number)
            fix.become(States::RETURNED, now: @now, why: why(back), crawl: @crawl.number)
            fix.update!(**worth(fix, back))
          end
        end

        def why(back) =
          "#{back.size} of its faults #{(back.size == 1) ? "is" : "are"} there again in crawl #{@crawl.number}"

        # What came back counts, by today's importance.
        def worth(fix, back)
          draft = Core::Workplan::Draft.of_fix(fix, back.flat_map { |fault| @entries.fetch(key(fault)) })
          {
            benefit: Core::Workplan::Worth.new([draft]).of(draft),
            hours: Workplan::WorkplanSettings.new(@site).counted.of(draft)
          }
        end

        def verdict(fix, asked: true)
          known, open = conditions(fix).partition { |one| known?(one) }
          found = known.map { |one| by_crawl(one) }
          Core::Proofs::Verdict.new(found + (asked ? looked(open) : open.map { |one| untold(one) }))
        end

        def by_crawl(condition)
          there = @entries.key?(key(condition.to_fault))
          Core::Proofs::Found.new(
            condition: condition,
            met: !there,
            found: there ? "crawl #{@crawl.number} found it still" : "crawl #{@crawl.number} found it no more"
          )
        end

        def untold(condition) = Core::Proofs::Found.new(condition: condition, met: nil, found: "it wasn't read")

        # A crawl has no rule for what was drafted, and one without a browser none for what scripts do.
        def known?(condition)
          return false if Core::Proofs::Checks.for(condition) == Core::Proofs::Checks::Drafted
          return false if condition.code == Core::Faults::Rules::RenderOnly::CODE && !@crawl.renders?

          @gone.of(condition.to_fault) != GoneFaults::UNREAD
        end

        def conditions(fix)
          @conditions ||= Core::Proofs::Conditions.new(Workplan::RemediesOfSite.for(@run, @faults))
          @conditions.call(fix.kind, fix.standing)
        end

        def looked(conditions)
          return [] if conditions.empty?

          @looking ||= Looking.new(@run, clock: -> { @now })
          @looking.verdict(conditions).found
        end

        def about?(condition, fault) = key(condition.to_fault) == key(fault)

        def key(fault) = Core::Faults::Key.in(@site.id, fault)
      end
    end
  end
end

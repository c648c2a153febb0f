# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Makes the fixes of a site anew from the newest verdicts and decisions. A fix that is still right keeps its
      # number, state, dates and history; what was handed over keeps what it clears.
      class RegenerateFixes
        States = Core::Workplan::States
        PORTION = /\A#{Core::Workplan::FixBuilder::PAGES} (\d+)\z/

        # Makes them unless they are of the newest verdicts and decisions already.
        #
        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] where nothing was crawled
        def self.keep_up(site, now:)
          run = site.newest_verdicts
          decided = site.decisions.recent(limit: 1).first&.made_at
          return if site.fixes_of_run == run.id && (decided.nil? || decided <= site.fixes_made_at)

          new(site, run, now: now).call
        end

        # @param site [Store::Sites::Site]
        # @param run [Store::Judging::VerdictRun]
        # @param now [Time]
        def initialize(site, run, now:)
          @site = site
          @run = run
          @now = now
        end

        # @return [void]
        def call
          source = Store::Workplan::Entries.new(@run)
          entries = source.call
          @gone = gone(entries)
          @lapse = Proofs::Lapse.new(@site, since: @site.fixes_made_at, now: @now)
          if @gone.new_crawl?
            Proofs::ByCrawl.new(@site, @run, entries, @gone, @lapse, now: @now).call
          elsif !@gone.same_rules?
            lapse_frozen
          end
          ActiveRecord::Base.transaction do
            @site.lock!
            @kept = Store::Workplan::Fix.of(@site).where(hand_made: false).order(:number).to_a
            drafts = with_unread(drafts(source, unheld(entries)))
            @taken = known.values_at(*drafts.map(&:key)).compact
            fixes = drafts.to_h { |draft| [draft.object_id, fix_for(draft)] }
            settle_the_rest(fixes.values)
            FixWriter.new(@site, frozen, @effort).call(drafts, fixes)
            @site.update!(fixes_of_run: @run.id, fixes_of_crawl: @run.crawl_id, fixes_of_rules: @run.rules_digest,
              fixes_made_at: @now)
          end
        end

        private

        def gone(entries)
          faults = Store::Workplan::Fix.of(@site).where.not(state: States::SETTLED).flat_map(&:faults)
          Proofs::GoneFaults.new(@site, @run, entries, faults, now: @now).ready
        end

        # Of what was handed over, as far as it isn't known to be mended, what somebody judges otherwise now.
        def lapse_frozen
          fixes = Store::Workplan::Fix.of(@site).where(state: States::FROZEN - [States::LEFT]).order(:number)
          fixes.each do |fix|
            met = fix.proof.to_h.fetch("conditions", []).select { |one| one["met"] }
            mended = met.to_h { |one| [key(one), true] }
            lapsed = fix.standing.select { |one| !mended.key?(key(one)) && @gone.of(one) == Proofs::GoneFaults::LAPSED }
            Proofs::Recording.new(fix, now: @now).lapse(lapsed, @lapse.why(lapsed)) if lapsed.any?
          end
        end

        # What was handed over stays with the fix that has it, and so does what is proved until a crawl says otherwise.
        def unheld(entries)
          faults = [*frozen, *proved, *divided].flat_map { |fix| fix.standing + fix.settles } + set_aside
          held = faults.to_h { |fault| [key(fault), true] }
          entries.reject { |entry| held.key?(entry.key) }
        end

        def key(fault) = Core::Faults::Key.in(@site.id, fault)

        # Those that people made of others.
        def divided = Store::Workplan::Fix.of(@site).where(hand_made: true).where.not(state: States::SETTLED)

        def set_aside =
          Store::Workplan::SetAsideFault.on(@site, @now.to_date).map { |one| one.slice("code", "url", "about", "key") }

        def proved = Store::Workplan::Fix.of(@site).where(state: States::PROVED).to_a

        # What the crawl didn't read again is to be done as before.
        def with_unread(drafts)
          by_key = drafts.to_h { |draft| [draft.key, draft] }
          fluid.each do |fix|
            unread = fix.faults.select { |fault| @gone.of(fault) == Proofs::GoneFaults::UNREAD }
            next if unread.empty?

            draft = by_key[fix.key] ||= Core::Workplan::Draft.of_fix(fix, [])
            draft.entries.concat(Core::Workplan::Draft.of_kept(fix, unread).entries)
          end
          by_key.values
        end

        def frozen = @kept.select { |fix| States::FROZEN.include?(fix.state) }

        def drafts(source, entries)
          sets = Store::Languages::LanguageSets.new(@run, @site).by_url
          @effort = WorkplanSettings.new(@site).counted(sets: sets, undecided: Undecided.new(@run, entries))
          first = DecideFirst.new(@site, @run, @kept, now: @now)
          drafts =
            Core::Workplan::FixBuilder.new(
              pages: source.pages,
              layouts: Core::Workplan::Layouts.new(sets),
              effort: @effort,
              files: source.files
            ).call(first.left(entries), kept: portions)
          [first.draft, *drafts].compact
        end

        # In which portion of the work on pages of its host each page was.
        def portions
          fluid.each_with_object({}) do |fix, found|
            number = fix.cause[PORTION, 1] or next
            numbers = found[[fix.kind, fix.place]] ||= {}
            fix.urls.each { |one| numbers[one["url"]] = number.to_i }
          end
        end

        def fluid = @kept.select { |fix| States::FLUID.include?(fix.state) }

        def fix_for(draft)
          known[draft.key]&.tap { |fix| reopen(fix) } || moved(draft) ||
            Store::Workplan::Fix.new(
              site: @site,
              number: next_number,
              made_at: @now,
              changed_at: @now,
              **draft.to_h.slice(:kind, :place, :cause)
            )
        end

        def known = @known ||= [*lapsed, *fluid].to_h { |fix| [fix.key, fix] }

        # One whose place is called or cut otherwise now, by what it clears.
        def moved(draft)
          mine = draft.entries.to_h { |entry| [entry.key, true] }
          found =
            (fluid - @taken).find do |fix|
              [fix.kind, fix.cause] == [draft.kind, draft.cause] &&
                fix.faults.count { |fault| mine.key?(key(fault)) } > [fix.faults.size, mine.size].max / 2
            end
          found&.tap { |fix| (@taken << fix) && fix.update!(place: draft.place) }
        end

        def lapsed = @kept.select { |fix| fix.state == States::LAPSED }

        # What it was for is wanted again.
        def reopen(fix)
          return unless fix.state == States::LAPSED

          fix.become(States::OPEN, now: @now, why: "it is to be done again")
          fix.update!(lapsed: [], start: nil, finish: nil, locked_start: nil)
        end

        def next_number = @site.last_fix_number += 1

        # Fixes that nothing is left of. What the site mended of it a new crawl proves; what is judged otherwise now has
        # lapsed, and so has a fix whose faults are in others since they were grouped otherwise.
        def settle_the_rest(made)
          @kept.each { |fix| DecideFirst.settle(fix, now: @now) }
          (fluid - made).each { |fix| settle(fix) }
        end

        def settle(fix)
          found = fix.faults.group_by { |fault| @gone.of(fault) }
          if found.key?(Proofs::GoneFaults::MENDED) && !found.key?(Proofs::GoneFaults::THERE)
            fix.become(States::PROVED, now: @now, why: "seen by crawl #{crawl}", crawl: crawl)
          else
            lapsed = found.values_at(Proofs::GoneFaults::LAPSED, Proofs::GoneFaults::EVIDENCE).compact.flatten(1)
            why = lapsed.any? ? @lapse.why(lapsed) : "its faults are in another fix since they are grouped otherwise"
            fix.become(States::LAPSED, now: @now, why: "lapsed: #{why}")
          end
        end

        def crawl = @run.crawl.number
      end
    end
  end
end

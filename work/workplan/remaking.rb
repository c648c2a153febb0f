# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Makes the fixes of a site anew from the newest verdicts and decisions. A fix that is still right keeps its
      # number, state, dates and history; what was handed over keeps what it clears.
      class Remaking
        States = Core::Workplan::States

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
          ActiveRecord::Base.transaction do
            @site.lock!
            @kept = Store::Workplan::Fix.of(@site).where(hand_made: false).order(:number).to_a
            source = Store::Workplan::Entries.new(@run)
            drafts = drafts(source, returned(source.call))
            fixes = drafts.to_h { |draft| [draft.object_id, fix_for(draft)] }
            settle_the_rest(fixes.values)
            write(drafts, fixes)
            @site.update!(fixes_of_run: @run.id, fixes_of_crawl: @run.crawl_id, fixes_made_at: @now)
          end
        end

        private

        # What a proved fix cleared and is there again brings it back; it takes no other fix then.
        def returned(entries)
          proved = @kept.select { |fix| fix.state == States::PROVED }
          there = entries.to_h { |entry| [told(entry.to_told), true] }
          proved.each do |fix|
            again = fix.faults.count { |fault| there.key?(told(fault)) }
            next if again.zero?

            fix.become(States::RETURNED, now: @now, why: "#{again} of its faults are there again in crawl #{crawl}")
          end
          held =
            @kept
              .select { |fix| States::FROZEN.include?(fix.state) }
              .flat_map(&:faults)
              .to_h { |fault| [told(fault), true] }
          entries.reject { |entry| held.key?(told(entry.to_told)) }
        end

        def told(fault) = fault.values_at("code", "url", "about")

        def drafts(source, entries)
          @sets = Store::Languages::LanguageSets.new(@run, @site).by_url
          Core::Workplan::Gathering.new(
            pages: source.pages,
            layouts: Core::Workplan::Layouts.new(@sets),
            files: source.files
          ).call(entries, kept: portions)
        end

        # In which portion of content each page was.
        def portions
          fluid
            .select { |fix| fix.kind == "content" && fix.cause.start_with?("pages ") }
            .flat_map do |fix|
              number = fix.cause.delete_prefix("pages ").to_i
              fix.urls.map { |one| ["#{fix.place} #{one["url"]}", number] }
            end
            .to_h
        end

        def fluid = @kept.select { |fix| States::FLUID.include?(fix.state) }

        def fix_for(draft)
          (@by_key ||= fluid.to_h { |fix| [fix.key, fix] })[draft.key] ||
            Store::Workplan::Fix.new(
              site: @site,
              number: next_number,
              made_at: @now,
              changed_at: @now,
              **draft.to_h.slice(:kind, :place, :cause)
            )
        end

        def next_number = @site.last_fix_number += 1

        # Whose faults are gone though nobody said that they are done: a new crawl proves that; where the same one was
        # judged otherwise they are no faults any more.
        def settle_the_rest(made)
          gone = fluid - made
          return gone.each(&:destroy!) if @site.fixes_of_crawl == @run.crawl_id

          gone.each { |fix| fix.become(States::PROVED, now: @now, why: "seen by crawl #{crawl}") }
        end

        def write(drafts, fixes)
          worth = Core::Workplan::Worth.new(drafts)
          effort = Core::Workplan::Effort.new(@site.workplan_settings.fetch("effort", {}), sets: @sets)
          before = Core::Workplan::Before.new(drafts).call
          deadlines = deadlines(drafts)
          drafts.each do |draft|
            fixes[draft.object_id].update!(
              template: draft.template,
              title: Core::Workplan::Titles.title(draft),
              reason: Core::Workplan::Titles.reason(draft),
              benefit: worth.of(draft),
              hours: effort.of(draft),
              after: before[draft].map { |one| fixes[one.object_id].number }.sort,
              deadline: deadlines[draft.object_id],
              faults: draft.entries.map(&:to_told),
              urls: worth.parts(draft).map(&:to_h)
            )
          end
        end

        # A lasting removal is to be finished a week before its hide ends.
        def deadlines(drafts)
          ends = Store::Workplan::HideEnds.of(@site)
          return {} if ends.empty?

          lasting = drafts.select { |draft| Core::Workplan::Kinds::LASTING.include?(draft.kind) }
          lasting.to_h do |draft|
            [
              draft.object_id,
              draft.urls.filter_map { |url| ends[url] }.min&.-(Core::Workplan::Kinds::DAYS_BEFORE_HIDE_ENDS)
            ]
          end
        end

        def crawl = @run.crawl.number
      end
    end
  end
end

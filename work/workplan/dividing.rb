# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Workplan
      # Makes two fixes of one, or one of several of a kind. What comes of it is made by hand: later judgings leave it
      # as it is.
      class Dividing
        States = Core::Workplan::States
        Fix = Store::Workplan::Fix

        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @param by [String]
        def initialize(site, now:, by:)
          @site = site
          @now = now
          @by = by
        end

        # @param id [String]
        # @param urls [Array<String>] that go into a fix of their own
        # @return [Fix] the new one
        # @raise [Core::Error::InvalidInput] where none of them is in it, or all are
        def split(id, urls)
          fix = divisible(Fix.named(@site, [id])).first
          away, stays = fix.faults.partition { |fault| urls.include?(fault["url"]) }
          wrong("Choose some of the URLs of #{fix.name}, not all.") if away.empty? || stays.empty?
          ActiveRecord::Base.transaction do
            other = added(fix, "split from #{fix.name}")
            urls = fix.urls
            [[other, away], [fix, stays]].each { |one, faults| shared(one, faults, urls) && named(one) }
            other.update!(title: "#{other.title}, second part") if other.title == fix.title
            other
          end
        end

        # @param ids [Array<String>] of one kind
        # @return [Fix] the first of them, which has all now
        # @raise [Core::Error::InvalidInput]
        def join(ids)
          fixes = divisible(Fix.named(@site, ids.uniq)).sort_by(&:number)
          wrong("Choose two fixes or more.") if fixes.size < 2
          wrong("Only fixes of one kind can be joined.") if fixes.map(&:kind).uniq.size > 1
          first, *others = fixes
          ActiveRecord::Base.transaction do
            shared(first, fixes.flat_map(&:faults), fixes.flat_map(&:urls))
            first.update!(
              title: "#{first.title}, and #{others.size} more",
              settles: fixes.flat_map(&:settles)
            )
            others.each(&:destroy!)
            first
          end
        end

        private

        def divisible(fixes)
          held = fixes.find { |fix| !States::FLUID.include?(fix.state) }
          wrong("#{held.name} is #{held.state}: only what is open or planned can be divided.") if held
          fixes
        end

        def added(fix, why)
          Fix.new(
            site: @site,
            number: @site.take_fix_number,
            title: fix.title,
            made_at: @now,
            history: [{"at" => @now.utc.iso8601, "state" => States::OPEN, "by" => @by, "why" => why}],
            **fix.slice("kind", "place", "cause", "template", "after", "deadline").transform_keys(&:to_sym)
          )
        end

        # A URL that two of them had counts once.
        def shared(fix, faults, urls)
          mine = faults.map { |fault| fault["url"] }.to_h { |url| [url, true] }
          parts = urls.select { |one| mine[one["url"]] }.uniq { |one| one["url"] }
          draft = Core::Workplan::Draft.of_faults(fix, faults)
          fix.update!(
            faults: faults,
            urls: parts,
            hand_made: true,
            benefit: Core::Workplan::Worth.of_parts(parts.map { |one| Core::Workplan::Worth::Part.of(one) }),
            hours: WorkplanSettings.new(@site).counted.of(draft),
            changed_at: @now
          )
        end

        # By what is in it now.
        def named(fix)
          draft = Core::Workplan::Draft.of_faults(fix, fix.faults)
          fix.update!(title: Core::Workplan::Titles.title(draft), reason: Core::Workplan::Titles.reason(draft))
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end

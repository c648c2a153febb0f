# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # The first fix of a site of which nobody said yet what should be indexed: to decide it, group by group. What a
      # sure proposal would keep out gets no other fix meanwhile.
      class DecideFirst
        KIND = "directives"
        CAUSE = Core::Workplan::Roles::DECIDE
        GRADES = Core::Workplan::Entry::GRADES
        States = Core::Workplan::States
        OF_FILES = Core::Workplan::Settling::OF_FILES

        # What asked for decisions is proved when they are made: the one work that no site can show.
        #
        # @param fix [Store::Workplan::Fix]
        # @param now [Time]
        # @return [void]
        def self.settle(fix, now:)
          return if fix.cause != CAUSE || fix.hand_made || States::SETTLED.include?(fix.state)
          return if (fix.groups - fix.site.decisions.values("group").keys).any?

          fix.become(States::PROVED, now: now, why: "every group that it names has an intent")
        end

        # @param site [Store::Sites::Site]
        # @param run [Store::Judging::VerdictRun]
        # @param kept [Array<Store::Workplan::Fix>] that the site has
        # @param now [Time]
        def initialize(site, run, kept, now:)
          @site = site
          @run = run
          @kept = kept
          @now = now
        end

        # @param entries [Array<Core::Workplan::Entry>]
        # @return [Array<Core::Workplan::Entry>] without those that fall away
        def left(entries)
          @entries = entries
          return entries unless open?

          @settled, left = entries.partition { |entry| falls_away?(entry) }
          left
        end

        # @return [Core::Workplan::Draft, nil] nil where there is nothing to decide first
        def draft
          return unless open?

          Core::Workplan::Draft.new(
            kind: KIND,
            place: place,
            cause: CAUSE,
            template: false,
            entries: [],
            settles: @settled,
            groups: undecided,
            gains: gains
          )
        end

        private

        # It is made where nothing was decided, and stands until all that it names is.
        def open?
          return @open unless @open.nil?

          mine = @kept.select { |fix| fix.cause == CAUSE && !fix.hand_made }
          standing = mine.any? { |fix| !States::SETTLED.include?(fix.state) }
          @open = (standing || mine.empty? && decided.empty?) && undecided.any?
        end

        def decided = @decided ||= @site.decisions.values("group")

        def groups = @groups ||= evidence.groups

        def evidence = @evidence ||= Store::Intents::GroupEvidence.new(@run, @site)

        def undecided = @undecided ||= groups.map { |row| row["group"] } - decided.keys

        def place =
          standing&.place ||
            Store::Workplan::Entries.new(@run).pages.group_by { |(host, _), _| host }
              .max_by { |host, some| [some.sum(&:last), host] }&.first || Core::Workplan::FixBuilder::NOWHERE

        def standing = @kept.find { |fix| fix.cause == CAUSE && States::FLUID.include?(fix.state) }

        def proposals = @proposals ||= evidence.proposals

        def sure = @sure ||= proposals.select { |one| one[:intent] == "keep_out" && one[:sure] }

        def falls_away?(entry)
          return false if entry.url.nil? || entry.decided? || OF_FILES.include?(entry.kind)

          sure.any? do |one|
            next one[:urls].include?(entry.url) if one[:urls]

            one[:group] == entry.group && !one[:except].include?(entry.url)
          end
        end

        # Pages that would be wanted and that something stops today.
        def gains
          wanted = proposals.select { |one| one[:intent] == "index" && one[:urls].nil? }.map { |one| one[:group] }
          stopped = Store::Intents::GroupEvidence.stopped(@run, wanted)
          stopped.map do |row|
            Core::Workplan::Entry.new(
              code: CAUSE,
              url: row["url"],
              group: row["group"],
              importance: row["importance"],
              grade: GRADES.fetch("stops")
            )
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Proofs
      # Why faults of a fix lapsed, in words: which decision was taken since it was made, by whom and when.
      class Lapse
        INTENTS = {"index" => "index", "keep_out" => "keep_out", nil => "undecided"}.freeze
        MOST = 500

        # @param site [Store::Sites::Site]
        # @param since [Time, nil] when its fixes were made last
        # @param now [Time]
        def initialize(site, since:, now:)
          @site, @since, @now = site, since || site.created_at, now
        end

        # @param faults [Array<Hash>] that lapsed
        # @return [String] such as "intent of /drafts/ set to keep_out by Ada, 2026-12-01"
        def why(faults)
          urls = faults.filter_map { |fault| fault["url"] }.uniq.first(MOST)
          decision = decisions.find { |one| concerns?(one, urls) }
          decision ? of_decision(decision) : of_settings
        end

        private

        def decisions =
          @decisions ||= @site.decisions.recent(limit: MOST).select do |one|
            [one.made_at, one.undone_at].compact.max >= @since
          end

        def concerns?(decision, urls)
          return urls.any? { |url| intent_rules.group(url) == decision.subject } if decision.kind == "group"

          pattern = Core::Url::Pattern.new(decision.subject)
          urls.any? { |url| url == decision.subject || pattern.match?(url) }
        rescue Core::Url::Pattern::Malformed
          urls.include?(decision.subject)
        end

        def intent_rules = @intent_rules ||= @site.intent_rules

        def of_decision(one)
          who, at = one.undone_at ? [one.undone_by, one.undone_at] : [one.made_by, one.made_at]
          "#{what(one)} by #{who}, #{day(at)}"
        end

        def what(one)
          return "#{name(one)} of #{one.subject} taken back" if one.undone_at || one.value.nil?
          return "intent of #{one.subject} set to #{one.value["intent"]}" if one.value["intent"]

          "#{name(one)} of #{one.subject} decided otherwise"
        end

        def name(one) = {"group" => "intent", "route" => "redirect"}.fetch(one.kind, one.kind)

        def of_settings
          changed = @site.judging_changed_at
          return "groups or limits set by #{@site.judging_changed_by}, #{day(changed)}" if by_person?(changed)

          "settings, rules or evidence changed, #{day(@now)}"
        end

        def by_person?(changed) = changed && changed >= @since && @site.judging_changed_by

        def day(time) = @site.evidence_reading.today(time).iso8601
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # URLs that evidence names and no crawl knows: nothing leads to them, so they stop at the first rung.
      class OnlyEvidence
        NO_FACTS = Core::Ledger::Registry.of(:facts).to_h { |name| [name, nil] }.freeze
        SOURCE = "index"
        FOUND_BY = [SOURCE].freeze

        # @param facts [Store::Pages::FactsTables] prepared
        # @param context [JudgingContext]
        # @param agent [String] for whom robots.txt is read
        def initialize(facts, context, agent)
          @context = context
          @policies = facts.policies(agent)
        end

        # @param row [Hash{String => Object}] of evidence
        # @return [JudgedUrl]
        def judge(row)
          url = row["url"]
          decision = @policies[url[%r{\Ahttps?://[^/]+}]]&.decide(Core::Url::NormalForm.split(url))
          subject = subject(url, decision, row["live_status"])
          JudgedUrl.new(
            id: row["url_id"],
            facts: NO_FACTS,
            subject: subject,
            ladder_result: climb(subject, row),
            evidence: row
          )
        end

        private

        def subject(url, decision, status)
          rule = @context.intent_rules.rule_for(url)
          intent = rule&.intent || "undecided"
          Core::Faults::Subject.new(
            url: url,
            status: status,
            found_by: FOUND_BY,
            in_sitemaps: [],
            robots_allowed: decision&.allowed?,
            robots_line: decision&.line,
            robots_rule: decision&.rule,
            redirect_chain: [],
            links_in: 0,
            followed_in: 0,
            soft_missing: false,
            indexable: false,
            stop: Core::Ladder::Rungs::Found::NAME,
            group: @context.intent_rules.group(url),
            intent: intent,
            wanted: @context.intent_rules.wanted?(url, listed: false, intent: intent),
            intent_of: rule&.of,
            intent_subject: rule&.subject,
            follow: rule&.follow,
            chosen_canonical: @context.canonicals.for(url)
          )
        end

        def climb(subject, row)
          Core::Ladder::Climb.new(
            Core::Ladder::Evidence.new(
              whole: true,
              listed: false,
              robots_allowed: subject.robots_allowed,
              robots_line: subject.robots_line,
              robots_rule: subject.robots_rule,
              robots_reachable: true,
              fetched: false,
              wanted: subject.wanted,
              standing: row["standing"],
              standing_reason: row["standing_reason"]
            )
          )
        end
      end
    end
  end
end

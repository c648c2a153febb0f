# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # What one origin's robots.txt means for one agent, whatever became of the request for it
      # (RFC 9309 section 2.3.1): rules, no restriction (4xx), or everything disallowed (5xx, no answer).
      class Policy
        # The answer for one URL; `line` and `rule` are those that decide, nil where no rule does.
        Decision = Struct.new(:allowed, :line, :rule, keyword_init: true) do
          def allowed? = allowed
        end

        FREE = Decision.new(allowed: true).freeze
        SHUT = Decision.new(allowed: false).freeze
        OWN_PATH = "/robots.txt"

        # @param status [Integer, nil] the final status of the request; nil where there was no answer
        # @param text [String, nil] the body of a 2xx answer
        # @param agent [String] product token
        # @return [Policy]
        def self.from_answer(status:, text:, agent:)
          case status
          when 200..299 then of_rules(Ruleset.new(text.to_s), agent)
          when 400..499 then new(rules: [])
          else new(rules: [], reachable: false, answered: !status.nil?)
          end
        end

        def self.of_rules(ruleset, agent) = new(rules: ruleset.rules_for(agent), delay: ruleset.delay_for(agent))
        private_class_method :of_rules

        # @return [Float, nil] seconds to leave between requests, where the file asks for them
        attr_reader :delay

        def initialize(rules:, reachable: true, answered: true, delay: nil)
          @rules = rules
          @reachable = reachable
          @answered = answered
          @delay = delay
        end

        def reachable? = @reachable

        # @return [Boolean] whether the host answered at all
        def answered? = @answered

        # @param url [Url::Parts]
        # @return [Decision] the longest match decides; where two are as long, allow wins (section 2.2.2)
        def decide(url)
          return FREE if url.path == OWN_PATH
          return SHUT unless @reachable
          return FREE if @rules.empty?

          target = url.query ? "#{url.path}?#{Url::Percent.normalise_triples(url.query)}" : url.path
          literal = Rule.literally(target)
          rule =
            @rules.select { |one| one.match?(literal) }.max_by { |one| [one.octets, one.allow? ? 1 : 0, -one.line] }
          rule ? Decision.new(allowed: rule.allow?, line: rule.line, rule: rule.text) : FREE
        end
      end
    end
  end
end

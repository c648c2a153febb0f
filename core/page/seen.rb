# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # What came of one URL, as observations are made of it: the outcome of asking for it, and what of it is told to
      # one agent. Parts are nil where it was not asked for, or what came can't be read.
      class Seen
        # @param outcome [Crawling::Outcome]
        # @param agent [String] product token
        def initialize(outcome, agent)
          @outcome = outcome
          @agent = agent
        end

        # @return [Object, nil] see Crawling::Outcome
        def answer = @outcome.answer

        # @return [Robots::Decision, nil]
        def decision = @outcome.decision

        # @return [Facts, nil] what was read
        def read = @outcome.facts

        # @return [Rendering::Reading, nil] what a browser made of it, where one did
        def rendered = @outcome.reading&.then { |reading| reading if reading.facts }

        # @return [String, nil]
        def redirect_to = @outcome.redirect_to

        # @return [Refresh, nil] where it leads on at once
        def refresh = read&.refresh&.then { |refresh| refresh if refresh.instant? }

        # @return [Directives::Resolved, nil]
        def directives = @directives ||= read && Directives::Resolved.new(read.directives, @agent)
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Ladder
      # The way of one URL up the ladder: each rung's judgement, and its stop, the first rung it does not pass.
      class Climb
        RUNGS = [
          Rungs::Found,
          Rungs::Allowed,
          Rungs::Answers,
          Rungs::Direct,
          Rungs::Open,
          Rungs::Own,
          Rungs::Distinct,
          Rungs::Indexed
        ].freeze
        # Why a page stops, in few words: "stops at open" would read as its opposite.
        CAUSES = {
          "found" => "not linked",
          "allowed" => "blocked by robots.txt",
          "answers" => "error",
          "direct" => "redirect",
          "open" => "noindex",
          "own" => "canonical elsewhere",
          "distinct" => "copy or too thin",
          "indexed" => "not in the index"
        }.freeze
        NAMES = CAUSES.keys.freeze
        INDEXABLE = %w[allowed answers direct open own].freeze

        attr_reader :judgements

        # @param evidence [Evidence, nil] nil for what lies on another site, which is on nobody's ladder here
        def initialize(evidence)
          @judgements = evidence ? RUNGS.to_h { |rung| [rung::NAME, rung.judge(evidence)] } : {}
        end

        # @return [String, nil] the name of the rung it stops at; nil where it passes all that can be judged
        # @example
        #   Climb.new(nil).stop # => nil
        def stop = @stop ||= @judgements.find { |_, judgement| judgement.state == :stop }&.first

        # @return [String, nil] why it stops, in words
        def reason = stop && @judgements[stop].reason

        # What is known only when all URLs are judged: that it stops at a rung which it passed by itself.
        #
        # @param rung [String]
        # @param judgement [Judgement] a stop
        # @return [void]
        def stop_at(rung, judgement)
          return unless @judgements[rung]&.state == :pass

          @judgements = @judgements.merge(rung => judgement)
          @stop = nil
        end

        # @return [Boolean] whether it passes the rungs 2 to 6
        def indexable? = INDEXABLE.all? { |name| @judgements[name]&.state == :pass }
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # What came of fetching an origin's robots.txt: the final status or an error word with what was said of it, and
      # the text.
      Fetched = Struct.new(:origin, :status, :error, :body, :error_detail, keyword_init: true) do
        # @param agent [String]
        # @return [Policy, nil] nil where the host has no address, so that nothing can be said
        def policy(agent)
          return nil if error == "dns"

          Policy.from_answer(status: error ? nil : status, text: body, agent: agent)
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A page says whether it may be indexed, as it was decided.
        module KeptOut
          CODES = %w[decided-intent goal-page-open].freeze
          KEEP_OUT = "keep_out"

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            page = probe.page(condition.url)
            out = page.subject.noindex || page.subject.missing? || !page.hops.empty?
            wanted_out = condition.code != "decided-intent" || page.subject.intent == KEEP_OUT
            [out == wanted_out, page.subject.noindex ? "it says noindex" : "#{page.explain}, without noindex"]
          end
        end
      end
    end
  end
end

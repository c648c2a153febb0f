# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A page that read as missing says so by its status, or leads on. Whether new words are content of its own the
        # next crawl tells, which knows what the host says of missing pages.
        module SoftMissing
          CODES = %w[soft-missing].freeze

          # @return [Array(Boolean, String)]
          def self.call(condition, probe)
            page = probe.page(condition.url)
            return true, page.explain if page.subject.missing? || page.moved_for_good?
            return false, page.explain if page.facts&.title == probe.row(condition.url)&.title

            ByCrawl.call(condition, probe)
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A page names the canonical that it shall name, and no other, or leads there for good in one hop (RFC 6596).
        module Canonical
          CODES = %w[
            canonical-missing
            canonical-many
            canonical-clash
            canonical-to-missing
            canonical-to-redirect
            canonical-to-noindex
            canonical-to-blocked
            canonical-chain
            canonical-loop
            canonical-malformed
            canonical-misplaced
            canonical-off-site
            canonical-not-wanted
            canonical-paged-to-first
            decided-canonical
            copy-exact
            parameter-variants
          ].freeze
          # Whether two pages are one a crawl of both tells; what leads away is no copy.
          COPIES = %w[copy-exact parameter-variants].freeze
          AS_WRITTEN = %w[canonical-malformed canonical-misplaced].freeze

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            return ByCrawl.call(condition, probe) if condition.wanted.nil?

            page = probe.page(condition.url)
            return true, page.explain if condition.wanted != condition.url && page.moved_for_good_to?(condition.wanted)
            return ByCrawl.call(condition, probe) if COPIES.include?(condition.code)
            return false, page.explain unless page.facts && page.hops.empty?

            [names?(page, condition, probe), named(page)]
          end

          # What was written wrongly has to be gone as well.
          def names?(page, condition, probe)
            page.subject.canonical == condition.wanted &&
              !(AS_WRITTEN.include?(condition.code) && PageSilent.same_fault(condition, page, probe))
          end

          def named(page)
            hrefs = page.facts.canonical.named.map(&:href).uniq
            hrefs.empty? ? "it names no canonical" : "it names #{hrefs.join(" and ")}"
          end
          private_class_method :names?, :named
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that should be indexed, is in the index, and had no impression in the short window though the record
        # covers it.
        class WantedUnseen < EvidenceRule
          CODE = "wanted-unseen"
          TITLE = "In the index, and never shown"
          GRADE = "weakens"
          WHY = "It is found for nothing that people search for."
          FIX =
            "See what people call what it is about, and say it in title, headings and text; link to it from pages " \
            "that are shown."
          KIND = "content"
          WITH = %w[near-win improve].freeze
          SOURCE = "CP"

          def check(page, basis)
            return unless page.wanted && page.in_index? && basis.covers_short && page.short_impressions.to_i.zero?

            fault(page)
          end
        end
      end
    end
  end
end

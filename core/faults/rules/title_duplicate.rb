# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Indexable pages that share one title.
        class TitleDuplicate < SetRule
          CODE = "title-duplicate"
          GRADE = "weakens"
          WHY = "Pages with one title look alike in results, and the index may keep only one of them."
          FIX = "Give each page a title of its own."
          SOURCE = "CP"
          VALUE = :title

          def self.stable_about(_about) = nil

          def check(value, pages)
            pages.map do |page|
              other = pages.find { |one| one.url != page.url }
              fault(page, about: other.url, title: value, pages: pages.size)
            end
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page without a main heading.
        class H1Missing < PageRule
          CODE = "h1-missing"
          TITLE = "Page without H1"
          GRADE = "weakens"
          WHY = "Readers and crawlers look there first for what the page is about."
          FIX = "Give it one H1."
          MENDED = "has an H1"
          KIND = "content"
          ELEMENT = "h1"
          SOURCE = "HTML standard, headings; CP"

          def check(page)
            fault(page) if page.page? && (page.h1 || []).all?(&:empty?)
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Structured data that can't be read, or lack what their type requires.
        class DataInvalid < PageRule
          CODE = "data-invalid"
          TITLE = "Structured data incomplete or invalid"
          ABOUT = "What is wrong"
          GRADE = "weakens"
          WHY = "What is incomplete isn't shown in results."
          FIX = "Mend what is named, and test the page again."
          KIND = "content"
          ELEMENT = "data"
          TASK = "Correct structured data"
          SOURCE = "JSON-LD 1.1; HTML standard, microdata; RDFa Lite 1.1; schema.org; CP"
          DETAILS = {"syntax" => ["Syntax", :text]}.freeze

          def check(page)
            return unless page.page?

            unread(page) +
              (page.data || [])
                .flat_map { |one| StructuredData::Item.from(one).all }
                .flat_map { |item| incomplete(page, item) }
                .uniq
          end

          private

          def unread(page) =
            (page.data_problems || [])
              .map { |problem| problem.split(": ", 2) }
              .map { |script, what| fault(page, about: script, what: what) }

          def incomplete(page, item) =
            StructuredData::Requirements
              .lacking(item)
              .map { |type, names| fault(page, about: "#{type} without #{names}", syntax: item.syntax) }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page answers under addresses that differ in the case of letters only.
        class CaseVariants < VariantRule
          CODE = "case-variants"
          TITLE = "Same page under upper and lower case"
          GRADE = "diverts"
          WHY = "The same page then has two addresses, and links and signals are parted between them."
          FIX = "Redirect (301) to the form in lower case, and link to that."
          KIND = "server"
          TASK = "Redirect upper-case addresses to one spelling"
          SOURCE = "RFC 3986 section 6.2; CP"
          VALUE = :case_form
        end
      end
    end
  end
end

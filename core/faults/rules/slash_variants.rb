# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page answers with and without a slash at the end of its address.
        class SlashVariants < VariantRule
          CODE = "slash-variants"
          TITLE = "Same page with and without slash"
          GRADE = "diverts"
          WHY = "The same page then has two addresses, and links and signals are parted between them."
          FIX = "Redirect (301) one form to the other, and link to that."
          KIND = "server"
          TASK = "Redirect to one form of the slash"
          SOURCE = "RFC 3986 section 6.2; CP"
          VALUE = :slash_form
        end
      end
    end
  end
end

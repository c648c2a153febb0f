# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A folder answers under the name of its index file too.
        class IndexFileVariants < VariantRule
          CODE = "index-file-variants"
          TITLE = "Same page with and without its index file"
          GRADE = "diverts"
          WHY = "The same page then has two addresses, and links and signals are parted between them."
          FIX = "Redirect (301) the index file to its folder, and link to that."
          KIND = "server"
          TASK = "Redirect index files to their folders"
          SOURCE = "RFC 3986 section 6.2; CP"
          VALUE = :index_form
        end
      end
    end
  end
end

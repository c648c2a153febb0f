# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page that answers 200 and reads like what the host says of pages that aren't there.
        class SoftMissing < PageRule
          CODE = "soft-missing"
          TITLE = "Missing page that answers 200"
          GRADE = "diverts"
          WHY =
            "The page says it isn't there while its status says it is: crawlers keep coming back, and the index " \
            "finds out by itself."
          FIX = "Answer 404 or 410, or redirect to what took its place."
          MENDED = "answers 404 or 410, leads on, or has content of its own"
          KIND = "server"
          TASK = "Return 404 instead of 200 for missing pages"
          TAKES = true
          SOURCE = "RFC 9110 section 15.5.5; CP"

          def check(page)
            fault(page, title: page.title) if page.soft_missing
          end
        end
      end
    end
  end
end

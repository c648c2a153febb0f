# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # The server answers 5xx.
        class ServerError < PageRule
          CODE = "server-error"
          TITLE = "Page answers with a server error"
          GRADE = "stops"
          WHY = "A page that fails isn't indexed, and a site that fails often is crawled less."
          FIX = "Find the failure in the server's log for this address and mend it."
          MENDED = "answers without an error of the server"
          KIND = "server"
          TASK = "Fix server errors"
          SOURCE = "RFC 9110 section 15.6"

          def check(page)
            fault(page, status: page.status) if page.status && page.status >= 500
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page of more bytes than a page has use for.
        class HeavyPage < PageRule
          CODE = "heavy-page"
          TITLE = "HTML too large"
          GRADE = "weakens"
          WHY = "Crawlers read only so far into a page, and people on the move wait for all of it."
          FIX = "Take out what isn't needed: embedded data, images written into the page, endless lists."
          KIND = "server"
          TASK = "Make HTML pages smaller"
          SOURCE = "CP"

          def check(page)
            fault(page, bytes: page.bytes) if page.page? && page.bytes && page.bytes > settings.heavy_bytes
          end
        end
      end
    end
  end
end

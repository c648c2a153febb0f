# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page, or a link within the site, says nofollow, though that wasn't decided.
        class NofollowInternal < PageRule
          CODE = "nofollow-internal"
          TITLE = "Internal link with nofollow"
          ABOUT = "Link leads to"
          GRADE = "weakens"
          WHY = "What it would pass on is lost, and pages behind it may not be found."
          FIX = "Take the nofollow out; what isn't to be indexed needs a noindex instead."
          MENDED = "its internal links are followed"
          KIND = "directives"
          TASK = "Remove nofollow from internal links"
          SOURCE = "CP"
          NEEDS_ALL = true

          def check(page)
            return [] if page.follow == false
            return [fault(page)] if page.nofollow

            (page.unfollowed || []).map { |url| fault(page, about: url) }
          end
        end
      end
    end
  end
end

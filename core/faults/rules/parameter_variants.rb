# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page answers the same under other parameters.
        class ParameterVariants < PageRule
          CODE = "parameter-variants"
          TITLE = "Same page under several parameters"
          ABOUT = "Main version"
          GRADE = "diverts"
          WHY = "The same page then has several addresses, and crawlers read it again and again."
          FIX = "Leave out parameters that change nothing, or name the address without them as the canonical."
          KIND = "server"
          TASK = "Give pages with parameters one address"
          TAKES = true
          OF_HOST = true
          SOURCE = "CP"
          NEEDS_ALL = true

          # Where a canonical was chosen, naming it is what is left to do.
          def self.kind(detail = {}, chosen: false) = chosen ? "canonicals" : super

          def check(page)
            fault(page, about: page.copy_of) if page.copy_of && bare(page.url) == bare(page.copy_of)
          end

          private

          def bare(url) = url.partition("?").first
        end
      end
    end
  end
end

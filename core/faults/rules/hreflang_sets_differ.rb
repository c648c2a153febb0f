# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A page names fewer languages than another page of its set.
        class HreflangSetsDiffer < LinkRule
          CODE = "hreflang-sets-differ"
          TITLE = "Sets of languages differ from page to page"
          ABOUT = "Page that names more"
          GRADE = "diverts"
          WHY = "Where the members of a set don't agree on who belongs to it, some pairs don't count."
          FIX = "Let all pages of the set carry the same links."
          MENDED = "it names all that %{about} names"
          KIND = "languages"
          SOURCE = "CP"
          LINKS = %w[hreflang].freeze
          TARGETS = :fuller

          def check(source, target, _links)
            fault(source, about: target.url)
          end
        end
      end
    end
  end
end

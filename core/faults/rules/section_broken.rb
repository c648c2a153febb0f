# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A part of the site that links and sitemaps lead to is missing as a whole.
        class SectionBroken < SiteRule
          CODE = "section-broken"
          TITLE = "A section is missing"
          ABOUT = "Addresses"
          GRADE = "stops"
          WHY = "Links and sitemaps lead to a whole part of the site that isn't there: one thing is broken, not many."
          FIX = "Put the part back, or say that it is gone; then its addresses are redirected or answered 410."
          KIND = "server"
          SOURCE = "CP"
          DETAILS = {"urls" => ["Missing URLs", :number]}.freeze

          def check(site)
            site.broken_sections.map do |section|
              fault_at(section.first_url, about: section.shape, urls: section.urls.size)
            end
          end
        end
      end
    end
  end
end

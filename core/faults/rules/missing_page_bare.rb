# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # What the site answers for a page that isn't there gives a visitor no way on.
        class MissingPageBare < SiteRule
          CODE = "missing-page-bare"
          TITLE = "Page for missing addresses has no links"
          ABOUT = "Address that was tried"
          GRADE = "weakens"
          WHY = "Whoever followed an old link leaves at once."
          FIX = "Let the page for missing addresses link to the home page, the search and the main folders."
          MENDED = "the answer to a missing page shows a way on"
          KIND = "server"
          TASK = "Put links on the page for missing addresses"
          OF_HOST = true
          SOURCE = "CP"
          def self.identity(_fault) = nil

          def check(site)
            bare =
              site.probes.select do |probe|
                probe["kind"] == Crawling::HostVariants::MISSING && [404, 410].include?(probe["status"]) &&
                  probe["links"].to_i.zero?
              end
            bare.map { |probe| fault_at("#{Url::NormalForm.parse(probe["url"]).origin}/", about: probe["url"]) }
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A space of URLs that grows without end.
        class CrawlTrap < SiteRule
          CODE = "crawl-trap"
          TITLE = "Endless addresses"
          ABOUT = "Addresses"
          GRADE = "weakens"
          WHY = "Crawlers lose themselves in it, and read what matters less often."
          FIX = "Stop linking into it, block it in robots.txt, and give what is worth reading an address of its own."
          KIND = "server"
          TASK = "Close endless addresses"
          SOURCE = "CP"
          DETAILS = {"kind" => ["Kind", :text], "fetched" => ["Fetched in it", :number]}.freeze

          def check(site)
            site.spaces.map do |space|
              fault_at(space["first_url"], about: space["space"], kind: space["kind"], fetched: space["most"])
            end
          end
        end
      end
    end
  end
end

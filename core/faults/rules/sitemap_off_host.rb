# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # A sitemap lists a URL of another host, or above its own folder, without that host's robots.txt naming it.
        class SitemapOffHost < SiteRule
          CODE = "sitemap-off-host"
          TITLE = "Sitemap lists another host's URLs"
          ABOUT = "Sitemap"
          GRADE = "diverts"
          WHY = "Such entries are passed over."
          FIX =
            "Move the sitemap to the root of that host, or name it in the robots.txt of the host whose URLs it lists."
          KIND = "sitemaps"
          SOURCE = "sitemaps.org protocol 0.9"

          def check(site)
            parents = site.sitemaps.to_h { |file| [file["url"], file["parent"]] }
            site.flaws(CODE).filter_map do |file, flaw|
              unless named_in(file["url"], parents) == "#{origin(flaw["about"])}/robots.txt"
                fault_at(flaw["about"], about: file["url"])
              end
            end
          end

          private

          # A file that an index names is vouched for by whoever names the index.
          def named_in(url, parents)
            seen = {}
            while parents.key?(url) && !seen.key?(url)
              seen[url] = true
              url = parents[url]
            end
            url
          end

          def origin(url) = Url::NormalForm.parse?(url)&.origin
        end
      end
    end
  end
end

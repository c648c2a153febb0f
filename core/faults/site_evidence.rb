# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # What the rules of the site look at.
      #
      #   home: "http://a.test/", reads_sitemaps: true (whether the crawl was to read them), robots: [{"origin" =>
      #   "http://a.test", "status" => 200, "error" => nil, "body" => "User-agent: *\n…"}] (hosts in scope), sitemaps:
      #   [{"url" => "http://a.test/sitemap.xml", "parent" => "http://a.test/robots.txt", "kind" => "urlset", "status"
      #   => 200, "error" => nil,
      #     "entries" => 12, "faults" => [{"code" => "sitemap-date", "line" => 4, "about" => "May"}], "unwanted" => 0
      #     (entries to be kept out), "groups" => ["/tags/"]}],
      #   probes: [{"authority" => "a.test", "kind" => "missing", "url" => "…", "status" => 404, "location" => nil,
      #   "links" => 3}], spaces: [{"space" => "http://a.test/cal?day=#", "kind" => "calendar", "most" => 250,
      #   "first_url" => "http://a.test/cal?day=1"}], broken_sections:
      #   [Redirects::BrokenSections::Section], odd_facts: [StructuredData::BusinessFacts::Odd], serving:
      #   ["http://a.test"] (origins on which pages answer 2xx), languages: {"en" => 12} (pages by what their lang says;
      #   none of a part of a site), names_languages: false (whether any page or sitemap names another language)
      SiteEvidence =
        Struct.new(
          :home,
          :reads_sitemaps,
          :robots,
          :sitemaps,
          :probes,
          :spaces,
          :broken_sections,
          :odd_facts,
          :serving,
          :languages,
          :names_languages,
          keyword_init: true
        ) do
          # @return [Array<Hash>] robots.txt files that were there
          def robots_files = robots.select { |file| file["error"].nil? && (200..299).cover?(file["status"]) }

          # @return [Array<Array(String, Hash)>] origins with pages of their own, each with what answers under another
          #   of its addresses
          def variants
            probes.filter_map do |probe|
              Crawling::HostVariants.origin(probe)&.then { |origin| [origin, probe] if serving.include?(origin) }
            end
          end

          # @param code [String] of a rule
          # @return [Array<Array(Hash, Hash)>] sitemap files, each with a flaw of that code
          def flaws(code) =
            sitemaps.flat_map do |file|
              (file["faults"] || []).select { |flaw| flaw["code"] == code }.map { |flaw| [file, flaw] }
            end
        end
    end
  end
end

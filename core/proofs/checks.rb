# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # How a condition is looked at by fetching: one small unit for each sort of fault, in the folder checks/, with the
      # CODES it knows and .call. What is looked at comes from a `probe`:
      #
      #   page(url) a View of it as it answers now; row(url) what the crawl knew of it (Faults::Subject);
      #   robots(url) and sitemap(url) those files now, as SiteEvidence has them, a sitemap with its "files" and "urls";
      #   robots_then(url) and flaw_then(url, code, line) what the crawl saw in them; sitemaps and usual_sitemaps the
      #   addresses of sitemap files; probe(url) what else a host was asked, asked again; linking(url) the pages that
      #   linked to it; judge(rule, group) the rule as it judges pages of that group
      module Checks
        module_function

        # @param condition [Condition]
        # @return [#call] gives of a condition and a probe [met, found]: true, false, or nil where a fetch can't tell,
        #   and what was found, in words
        def for(condition) = by_code[condition.code] || by_rule(condition.code)

        def by_code
          @by_code ||=
            constants
              .map { |name| const_get(name) }
              .select { |check| check.const_defined?(:CODES) }
              .flat_map { |check| check::CODES.map { |code| [code, check] } }
              .to_h
              .freeze
        end

        def by_rule(code)
          rule = Faults::Registry.find(code)
          return ByCrawl if rule.nil? || (rule.respond_to?(:needs_all?) && rule.needs_all?)
          return PageSilent if rule < Faults::PageRule
          return LinkSilent if rule < Faults::LinkRule
          return VariantGone if rule < Faults::VariantRule

          (rule < Faults::SitemapFlawRule) ? SitemapRead : ByCrawl
        end
        private_class_method :by_code, :by_rule
      end
    end
  end
end

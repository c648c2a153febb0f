# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # What a site's pages are judged by besides the crawl, as it is when a judging begins: intents (`intent_rules`),
      # limits, the weights of importance, decided canonicals and routes, what evidence there is (`basis`), and how
      # pages are built (`skeletons`).
      JudgingContext =
        Struct.new(*%i[intent_rules limits weights canonicals routes basis skeletons], keyword_init: true) do
          # @param site [Store::Sites::Site]
          # @param templates [Store::Pages::PageTemplates] of the crawl
          # @param now [Time]
          # @return [JudgingContext]
          def self.of(site, templates, now:) =
            new(
              intent_rules: site.intent_rules(built: templates.built(site.page_groups.filter_map(&:template))),
              skeletons: templates.skeletons,
              limits: site.limits,
              weights: site.importance_weights,
              canonicals: site.chosen_canonicals,
              routes: site.decided_routes,
              basis: Store::Evidence::Basis.of(site, now: now)
            )
        end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # What a site's pages are judged by: page groups, limits, and the weights of importance. Kept as a whole or not at
      # all.
      class JudgingSettings
        # @param site [Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Hash] groups ([{name, pattern, template, intent, thresholds}] in order), thresholds and weights that
        #   differ from the defaults
        def to_h
          intents = @site.decisions.values("group")
          {
            groups:
              @site.page_groups.reload.map do |group|
                {
                  name: group.name,
                  pattern: group.pattern,
                  template: group.template,
                  intent: intents.dig(group.name, "intent"),
                  thresholds: group.thresholds
                }
              end,
            thresholds: @site.thresholds,
            weights: @site.weights
          }
        end

        # @param groups [Array<Hash>] {"name", "pattern", "template", "thresholds"} in order, checked
        # @param thresholds [Hash{String => Numeric}]
        # @param weights [Hash{String => Numeric}]
        # @return [void]
        def replace(groups:, thresholds:, weights:)
          @site.update!(thresholds: thresholds, weights: weights)
          PageGroup.where(site_id: @site.id).delete_all
          groups.each_with_index { |one, position| add(one, position) }
        end

        private

        def add(one, position)
          PageGroup.create!(
            site_id: @site.id,
            position: position,
            name: one["name"].strip,
            pattern: one["pattern"].to_s.strip,
            template: one["template"],
            thresholds: one["thresholds"] || {}
          )
        end
      end
    end
  end
end

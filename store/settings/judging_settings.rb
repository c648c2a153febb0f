# frozen_string_literal: true

module IronTrellis
  module Store
    module Settings
      # What a site's pages are judged by: page groups, limits, and the weights of importance. Kept as a whole or not at all.
      class JudgingSettings
        # @param site [Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Hash] groups ([{name, pattern, intent, thresholds}] in order), thresholds and weights that differ from the defaults
        def to_h
          intents = @site.decisions.values("group")
          {groups: @site.page_groups.reload.map { |group| {name: group.name, pattern: group.pattern, intent: intents.dig(group.name, "intent"), thresholds: group.thresholds} }, thresholds: @site.thresholds, weights: @site.weights}
        end

        # @param groups [Array<Hash>] {"name", "pattern", "intent", "thresholds"} in order
        # @param thresholds [Hash{String => Numeric}]
        # @param weights [Hash{String => Numeric}]
        # @param by [String] who says so
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput] where something can't be used; nothing is changed then
        def keep(groups:, thresholds:, weights:, by:, now:)
          check(groups)
          Core::Settings::Limits.new(thresholds, groups.to_h { |one| [one["name"], one["thresholds"] || {}] })
          Core::Importance::Weights.of(weights)
          Sites::Site.transaction do
            @site.update!(thresholds: thresholds, weights: weights)
            PageGroup.where(site_id: @site.id).delete_all
            groups.each_with_index { |one, position| add(one, position) }
            decide(groups, by, now)
          end
        end

        private

        # Whether links are followed stays as it was decided.
        def decide(groups, by, now)
          current = @site.decisions.values("group")
          wishes = groups.to_h { |one| [one["name"].strip, (current[one["name"].strip] || {}).merge("intent" => one["intent"]).compact] }
          @site.decisions.decide("group", wishes.transform_values { |wish| wish unless wish.empty? }.reject { |name, wish| wish.nil? && !current.key?(name) }, by: by, now: now)
        end

        def add(one, position)
          PageGroup.create!(site_id: @site.id, position: position, name: one["name"].strip, pattern: one["pattern"].strip, thresholds: one["thresholds"] || {})
        end

        def check(groups)
          problems = groups.each_with_index.flat_map { |one, place| problems_of(one).map { |message| {field: "groups.#{place}", message: message} } }
          twice = groups.map { |one| one["name"].to_s.strip }.tally.select { |_, count| count > 1 }.keys
          problems += twice.map { |name| {field: "groups", message: "Two groups are called “#{name}”. Give each a name of its own."} }
          raise Core::Settings::Problems.new(problems) if problems.any?
        end

        def problems_of(one)
          named = one["name"].to_s.strip.empty? ? ["Give the group a name."] : []
          named << "“#{one["intent"]}” is no intent." unless one["intent"].nil? || Core::Groups::Intents::NAMES.include?(one["intent"])
          Core::Url::Pattern.new(one["pattern"])
          named
        rescue Core::Url::Pattern::Malformed => error
          named + [error.message]
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Settings
      # Keeping what a site's pages are judged by; its newest crawl is judged by it at once.
      module Judging
        module_function

        # @param site [Store::Sites::Site]
        # @param groups [Array<Hash>] {"name", "pattern" (a line each), "template", "intent", "thresholds"}
        #   in order
        # @param thresholds [Hash{String => Numeric}]
        # @param weights [Hash{String => Numeric}]
        # @param by [String] who says so
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput] where something can't be used; nothing is changed then
        def keep(site, groups:, thresholds:, weights:, by:, now:)
          check(groups)
          Core::Settings::Limits.new(thresholds, groups.to_h { |one| [one["name"], one["thresholds"] || {}] })
          Core::Importance::Weights.of(weights)
          Store::Sites::Site.transaction do
            Store::Settings::JudgingSettings.new(site).replace(groups: groups, thresholds: thresholds, weights: weights)
            site.decisions.decide("group", wishes(site, groups), by: by, now: now)
            site.update!(judging_changed_by: by)
            Work::Judging::JudgingQueue.changed(site, now: now)
          end
        end

        # Whether links are followed stays as it was decided.
        def wishes(site, groups)
          current = site.decisions.values("group")
          wanted =
            groups.to_h do |one|
              [one["name"].strip, (current[one["name"].strip] || {}).merge("intent" => one["intent"]).compact]
            end
          wanted
            .transform_values { |wish| wish unless wish.empty? }
            .reject { |name, wish| wish.nil? && !current.key?(name) }
        end

        def check(groups)
          problems =
            groups.each_with_index.flat_map do |one, place|
              problems_of(one).map { |message| {field: "groups.#{place}", message: message} }
            end
          twice = groups.map { |one| one["name"].to_s.strip }.tally.select { |_, count| count > 1 }.keys
          problems +=
            twice.map do |name|
              {field: "groups", message: "Two groups are called “#{name}”. Give each a name of its own."}
            end
          raise Core::Settings::Problems.new(problems) if problems.any?
        end

        def problems_of(one)
          named = one["name"].to_s.strip.empty? ? ["Give the group a name."] : []
          unless one["intent"].nil? || Core::Groups::Intents::NAMES.include?(one["intent"])
            named << "“#{one["intent"]}” is no intent."
          end
          group = Core::Groups::Grouping::Group.of(*one.values_at("name", "pattern", "template"))
          named << "Give the group a pattern, such as /tags/*." if group.patterns.empty? && group.template.nil?
          named
        rescue Core::Url::Pattern::Malformed => error
          named + [error.message]
        end
        private_class_method :wishes, :check, :problems_of
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      # Keeps the fixes that were made of drafts, with what they gain, what they take, and what has to come before.
      class FixWriter
        States = Core::Workplan::States
        WRITTEN_AT_ONCE = 500

        # @param site [Store::Sites::Site]
        # @param frozen [Array<Store::Workplan::Fix>] that stay as they are
        # @param effort [Core::Workplan::Effort]
        def initialize(site, frozen, effort)
          @site, @frozen, @effort = site, frozen, effort
        end

        # @param drafts [Array<Core::Workplan::Draft>]
        # @param fixes [Hash{Integer => Store::Workplan::Fix}] by the object id of its draft
        # @return [void]
        def call(drafts, fixes)
          worth = Core::Workplan::Worth.new(drafts, beside: beside)
          before = Core::Workplan::Precedence.new(drafts).call
          deadlines = deadlines(drafts)
          hosts = drafts.flat_map { |draft| draft.urls.map { |url| Core::Url::Authority.of(url) } }.uniq.size
          drafts.each_slice(WRITTEN_AT_ONCE) do |some|
            Store::Workplan::Fix.keep(
              some.map do |draft|
                fix = fixes[draft.object_id]
                {
                  **fix.attributes.slice(*Store::Workplan::Fix::MADE).symbolize_keys,
                  template: draft.template || false,
                  title: Core::Workplan::Titles.title(draft, hosts: hosts),
                  reason: Core::Workplan::Titles.reason(draft),
                  benefit: worth.of(draft),
                  hours: fix.own_hours || @effort.of(draft),
                  after: before[draft].map { |one| fixes[one.object_id].number }.sort,
                  deadline: [deadlines[draft.object_id], fix.own_deadline].compact.min,
                  faults: draft.entries.map(&:as_json),
                  groups: draft.groups,
                  settles: draft.settles.map(&:as_json),
                  urls: worth.parts(draft).map(&:to_h)
                }
              end
            )
          end
        end

        private

        # What fixes that stay as they are hold of the same URLs.
        def beside =
          @frozen
            .reject { |fix| States::SETTLED.include?(fix.state) }
            .flat_map { |fix| fix.urls.map { |one| one.values_at("url", "grade") } }

        # A lasting removal is to be finished a week before its hide ends.
        def deadlines(drafts)
          ends = Store::Workplan::HideEnds.of(@site)
          return {} if ends.empty?

          intent_rules = @site.intent_rules
          kept_out = ->(url) { intent_rules.rule_for(url)&.intent == "keep_out" }
          drafts.to_h do |draft|
            lasting = draft.entries.map(&:as_json).select { |one| Core::Workplan::Kinds.lasting?(one, kept_out) }
            first = lasting.filter_map { |one| ends[one["url"]] }.min
            [draft.object_id, first&.-(Core::Workplan::Kinds::DAYS_BEFORE_HIDE_ENDS)]
          end
        end
      end
    end
  end
end

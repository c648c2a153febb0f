# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Alerts
      # What somebody has to hear of; the same is kept once.
      class Alert < Postgres::Record
        self.table_name = "alerts"

        MOST = 200

        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"
        has_many :deliveries, class_name: "IronTrellis::Store::Alerts::Delivery", foreign_key: :alert_id

        # @param site [Sites::Site]
        # @return [ActiveRecord::Relation] the newest first
        def self.of(site) = where(site_id: site.id).order(made_at: :desc, id: :desc)

        # @param site [Sites::Site]
        # @param found [Array<Core::Alerts::Alert>]
        # @param now [Time]
        # @return [Array<Alert>] those that weren't told before
        def self.keep(site, found, now)
          return [] if found.empty?

          rows = found.map { |one| one.to_h.merge(site_id: site.id, made_at: now) }
          ids = insert_all(rows, unique_by: %i[site_id kind key], returning: :id).rows.flatten
          where(id: ids).order(:id).to_a
        end

        # @return [Hash{String => Object}] for lists
        def view =
          slice("kind", "what", "urls", "count", "screen").merge(
            "id" => id,
            "made_at" => made_at.utc.iso8601,
            "seen" => !seen_at.nil?,
            "failed" => deliveries.filter_map { |one| "#{one.receiver}: #{one.error}" if one.error && !one.sent_at }
          )
      end
    end
  end
end

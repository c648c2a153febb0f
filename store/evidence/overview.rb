# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Store
    module Evidence
      # What a site is judged by besides its crawl, for the screen of sources.
      class Overview
        MOST_IMPORTS = 60

        # @param site [Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Hash] indexes, kinds, imports, settings
        def call
          {
            indexes: indexes,
            kinds: kinds,
            imports: Import.of(@site).includes(:index).limit(MOST_IMPORTS).map(&:view),
            settings: @site.evidence_reading.to_h
          }
        end

        private

        def indexes
          first = Index.first_of(@site)
          Index.of(@site).map { |index| view(index, first) }
        end

        def view(index, first)
          {
            id: index.id,
            name: index.name,
            first: index.id == first&.id,
            address: index.address,
            interface: index.interface,
            hosts: index.hosts,
            quota: index.quota,
            whole: index.whole,
            pull_days: index.pull_days,
            pulled_at: index.pulled_at&.iso8601,
            pull_error: index.pull_error,
            ownership: index.ownership,
            sitemaps: InterfaceRows.new(index).known_sitemaps.map { |row| dated(row) },
            evidence: %w[standings pages queries].to_h { |kind| [kind, newest(kind, index)] }
          }
        end

        def dated(row) = row.transform_values { |value| value.is_a?(Date) ? value.iso8601 : value }

        def kinds
          Core::Evidence::Registry.all.values.map do |kind|
            {
              code: kind.code,
              label: kind.label,
              why: kind.why,
              of_index: kind.of_index,
              fields: kind.fields.map { |field| {name: field.name, needed: field.needed?} },
              newest: kind.of_index ? nil : newest(kind.code, nil)
            }
          end
        end

        def newest(kind, index)
          day = Days.of(@site, kind, index).first
          day && {day: day["day"].iso8601, whole: day["whole"]}
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Desk
      # A page whose words are worked on.
      class DeskPage < Postgres::Record
        self.table_name = "desk_pages"
        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        # @param site [Sites::Site]
        # @return [ActiveRecord::Relation]
        def self.of(site) = where(site_id: site.id)

        # @param site [Sites::Site]
        # @param url_id [Integer]
        # @param url [String]
        # @param now [Time]
        # @return [DeskPage] kept or not yet
        def self.at(site, url_id, url, now:) =
          find_or_initialize_by(site_id: site.id, url_id: url_id) do |one|
            one.assign_attributes(url: url, changed_at: now)
          end
      end
    end
  end
end

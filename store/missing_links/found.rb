# frozen_string_literal: true

module IronTrellis
  module Store
    module MissingLinks
      # What was found last for a site: proposals and topics.
      class Found < Postgres::Record
        self.table_name = "missing_links"

        # @param site [Sites::Site]
        # @return [Found, nil]
        def self.of(site) = find_by(site_id: site.id)

        # @param site [Sites::Site]
        # @param values [Hash{Symbol => Object}] crawl_id, proposals, topics, made_at
        # @return [void]
        def self.keep(site, values) = upsert({site_id: site.id, **values}, unique_by: :site_id)
      end
    end
  end
end

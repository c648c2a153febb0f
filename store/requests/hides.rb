# frozen_string_literal: true

module IronTrellis
  module Store
    module Requests
      # What indexes were asked to hide, and until when.
      module Hides
        SQL = <<~SQL
          SELECT h.index_id, i.name AS index, u.url, h.asked_on, h.ends_on, h.only_copy FROM index_hides h
          JOIN indexes i ON i.id = h.index_id JOIN urls u ON u.id = h.url_id
          WHERE i.site_id = $1 ORDER BY h.ends_on, u.url
        SQL

        # @param site [Sites::Site]
        # @return [Array<Hash{String => Object}>] by their end
        def self.of(site) = Postgres::Sql.rows(SQL, [site.id])
      end
    end
  end
end

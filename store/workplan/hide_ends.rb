# frozen_string_literal: true

module IronTrellis
  module Store
    module Workplan
      # When hides end that nothing lasting stands behind yet.
      module HideEnds
        SQL = <<~SQL
          SELECT u.url, min(h.ends_on) AS ends_on FROM index_hides h JOIN indexes i ON i.id = h.index_id
          JOIN urls u ON u.id = h.url_id WHERE i.site_id = $1 AND NOT h.proved AND NOT h.only_copy GROUP BY 1
        SQL

        # @param site [Sites::Site]
        # @return [Hash{String => Date}] by URL
        def self.of(site) = Postgres::Sql.rows(SQL, [site.id]).to_h { |row| row.values_at("url", "ends_on") }
      end
    end
  end
end

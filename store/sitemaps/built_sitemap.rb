# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Sitemaps
      # One file of a set, as it must lie on its server. `host` is the origin.
      class BuiltSitemap < Postgres::Record
        self.table_name = "built_sitemaps"

        # @return [Hash] for JSON
        def view = {host: host, name: name, urls: urls, bytes: bytes, lastmod: lastmod&.iso8601}
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Sitemaps
      # A set of sitemap files as it was built.
      class SitemapBuild < Postgres::Record
        self.table_name = "sitemap_builds"

        WAITING = "waiting"
        BUILT = "built"
        FAILED = "failed"
        KEPT = 3

        has_many :files,
          -> { order(:host, :name) },
          class_name: "IronTrellis::Store::Sitemaps::BuiltSitemap",
          dependent: :delete_all
        belongs_to :site, class_name: "IronTrellis::Store::Sites::Site"

        # @return [Hash] for JSON
        def view
          {
            id: id,
            state: state,
            message: message,
            asked_at: asked_at.iso8601,
            built_at: built_at&.iso8601,
            urls: urls,
            files: files.select(:id, :host, :name, :urls, :bytes, :lastmod).map(&:view),
            robots_lines: robots_lines
          }
        end

        # @return [Array<String>] what the robots.txt of each host must say
        def robots_lines =
          files
            .where(name: Core::Sitemaps::Writer::INDEX)
            .pluck(:host)
            .map { |origin| "Sitemap: #{origin}/#{Core::Sitemaps::Writer::INDEX}" }
      end
    end
  end
end

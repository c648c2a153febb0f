# frozen_string_literal: true

module IronTrellis
  module Crawl
    # A sitemap file to be fetched.
    SitemapTask = Struct.new(:id, :url, :host_id) do
      # @return [Core::Url::Parts]
      def parts = @parts ||= Core::Url::NormalForm.split(url)
    end
  end
end

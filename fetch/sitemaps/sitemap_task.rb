# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Sitemaps
      # A sitemap file to be fetched; `usual` is whether nobody named it, so that it may well not be there.
      SitemapTask = Struct.new(:id, :url, :host_id, :usual) do
        # @return [Core::Url::Parts]
        def parts = @parts ||= Core::Url::NormalForm.split(url)
      end
    end
  end
end

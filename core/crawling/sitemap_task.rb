# frozen_string_literal: true

module IronTrellis
  module Core
    module Crawling
      # A sitemap file to be fetched; `usual` is whether nobody named it, so that it may well not be there.
      SitemapTask = Struct.new(:id, :url, :host_id, :usual) do
        # @return [Url::Parts]
        def parts = @parts ||= Url::NormalForm.split(url)
      end
    end
  end
end

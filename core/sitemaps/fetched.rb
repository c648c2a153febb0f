# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # What came of fetching one sitemap file. `url` is where it was found in the end; `reading` is the
      # Reader::Result, nil where nothing could be read.
      Fetched = Struct.new(:url, :status, :error, :bytes, :reading, keyword_init: true) do
        # @return [Boolean] whether it is one, whatever may be wrong with it
        def sitemap? = !reading.nil? && reading.kind != "unknown"
      end
    end
  end
end

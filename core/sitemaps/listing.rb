# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # One URL that a sitemap shall list. `lastmod` is a Time, nil where nothing proves when it changed; `images` are
      # URLs; `alternates` are [{code, url}]; `video` and `news` hold what their extensions want, by element, nil where
      # there is none.
      Listing =
        Struct.new(:url, :lastmod, :priority, :changefreq, :images, :alternates, :video, :news, keyword_init: true)
    end
  end
end

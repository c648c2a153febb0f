# frozen_string_literal: true

module IronTrellis
  module Cli
    module Sitemaps
      # bin/trellis sitemap.
      class Commands < Cli::Commands
        desc "check FILE_OR_URL", "Say what is wrong with a sitemap file"
        long_desc <<~TEXT
          Reads an XML sitemap or index, a text file of URLs, RSS 2.0 or Atom, gzipped or not, and tells what the
          protocol (sitemaps.org) doesn't allow,
          with the lines. Entries off the host or folder of a file are told of where it is known where
          the file is published.
        TEXT
        option :json, JSON_OPTION
        option :location, banner: "URL", desc: "Where a local file is published"
        # @return [Integer] exit code
        def check(source) = Check.new(source, options).call

        desc "build", "Write the sitemaps of a site: all URLs that are wanted and may be indexed"
        long_desc <<~TEXT
          Builds a set by the site's plan from its newest crawl and writes it into DIR, a folder for each host.
          The line that
          each robots.txt needs is printed.
        TEXT
        option :site, required: true, banner: "NAME"
        option :out, required: true, banner: "DIR"
        # @return [Integer] exit code
        def build = Build.new(options).call
      end
    end
  end
end

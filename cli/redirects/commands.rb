# frozen_string_literal: true

module IronTrellis
  module Cli
    module Redirects
      # bin/trellis routes.
      class Commands < Cli::Commands
        desc "check FILE.csv", "Look at a redirect map as a whole: loops, chains, duplicates"
        long_desc <<~TEXT
          Reads columns from, to, status (to may be empty for 410) and tells of loops, chains, rules for one source
          and wrong statuses; prints the map with every
          chain ending in its last target. Lines that can't be used are told on standard error with their numbers.
        TEXT
        option :json, JSON_OPTION
        # @return [Integer] exit code
        def check(path) = Check.new(path, options).call

        desc "export [FILE.csv]", "Write a redirect map for a server: that of a site, or one from a file"
        long_desc <<~TEXT
          Prints the redirect map that was decided for a site, or that of a CSV (from, to, status; whole
          addresses), with every chain ending in its last target.
        TEXT
        option :format, required: true, enum: Ports::Redirects.formats.keys
        option :site, banner: "NAME", desc: "Whose map; a FILE isn't read then"
        # @return [Integer] exit code
        def export(path = nil) = Export.new(path, options).call
      end
    end
  end
end

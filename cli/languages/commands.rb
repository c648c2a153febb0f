# frozen_string_literal: true

module IronTrellis
  module Cli
    module Languages
      # bin/trellis hreflang.
      class Commands < Cli::Commands
        desc "check FILE.csv", "Look at sets of languages without a crawl: codes, missing returns, sets that differ"
        long_desc <<~TEXT
          Reads columns url, hreflang, target: a row an annotation. Lines that can't be used are told on
          standard error with their numbers.
        TEXT
        option :json, JSON_OPTION
        # @return [Integer] exit code
        def check(path) = Check.new(path, options).call
      end
    end
  end
end

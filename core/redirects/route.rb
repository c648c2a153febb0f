# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # A redirect that is wanted: from one URL or path, or all that a pattern matches, to another, by a status. `to` is
      # nil where the answer is 410; in the target of a pattern $1 to $9 stand for what its stars or groups capture.
      # `query` says what becomes of a query: "match" (it belongs to the source, which has it or has none), "keep" (any
      # is taken, and passed on), "drop" (any is taken, and left out). `line` is where it stands in its file.
      Route = Struct.new(:from, :to, :status, :kind, :query, :line, keyword_init: true) do
        # @return [Boolean] whether it says that the page is gone, rather than leading on
        def gone? = status == Route::GONE

        # @return [Boolean]
        def pattern? = kind == "pattern"
      end

      # RFC 9110, sections 15.4.2 to 15.4.9 and 15.5.11.
      Route::STATUSES = [301, 302, 303, 307, 308, 410].freeze
      Route::GONE = 410
      Route::KINDS = %w[exact pattern].freeze
      Route::QUERIES = %w[match keep drop].freeze
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Routes
      # A redirect that is wanted: from one URL or path to another, by a status. `to` is nil where the answer is 410; `line` is where it stands in its file.
      Route = Struct.new(:from, :to, :status, :line, keyword_init: true) do
        # @return [Boolean] whether it says that the page is gone, rather than leading on
        def gone? = status == Route::GONE
      end

      # RFC 9110, sections 15.4.2 to 15.4.9 and 15.5.11.
      Route::STATUSES = [301, 302, 303, 307, 308, 410].freeze
      Route::GONE = 410
    end
  end
end

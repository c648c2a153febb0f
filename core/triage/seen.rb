# frozen_string_literal: true

module IronTrellis
  module Core
    module Triage
      # What a look at one URL found: `blocked` is whether robots.txt keeps us from asking (then all else is nil),
      # `status` that of the first hop, `hops` how many addresses follow it, `end_status` that of the last, `loop` and
      # `off_site` how the way ended before its time, `at` when that was.
      Seen =
        Struct.new(
          :at,
          :blocked,
          :status,
          :error,
          :hops,
          :final_url,
          :end_status,
          :end_error,
          :loop,
          :off_site,
          :refresh,
          :noindex,
          :canonical,
          :content_type,
          :words,
          keyword_init: true
        ) do
          # @return [Boolean] whether it leads elsewhere, by status or by a refresh of 0 s
          def moves? = (status && (300..399).cover?(status) && !final_url.nil?) || refresh || off_site || loop || false

          # @return [Boolean]
          def ok? = status && (200..299).cover?(status) && !refresh

          # @return [Hash{String => Object}] for keeping
          def facts =
            to_h.slice(
              :blocked,
              :noindex,
              :canonical,
              :content_type,
              :words,
              :hops,
              :loop,
              :off_site,
              :refresh
            ).transform_keys(&:to_s)
        end
    end
  end
end

# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Core
    module Sitemaps
      # W3C datetime (the W3C's note of 1997), the form of dates in sitemaps.
      module Date
        FORM = /\A(\d{4})(?:-(\d\d)(?:-(\d\d)(?:T(\d\d):(\d\d)(?::(\d\d)(?:\.\d+)?)?(Z|[+-]\d\d:\d\d))?)?)?\z/

        module_function

        # @param text [String]
        # @return [Time, nil] its beginning, in UTC; nil where it is no such date
        #   Date.read("2026-02-30") # => nil
        def read(text)
          match = FORM.match(text) or return
          year, month, day, hour, minute, second = match.captures.first(6).map { |part| part&.to_i }
          return unless ::Date.valid_date?(year, month || 1, day || 1)

          Time.new(year, month || 1, day || 1, hour || 0, minute || 0, second || 0, zone(match[7])).utc
        rescue ArgumentError
          nil
        end

        def zone(text) = (text.nil? || text == "Z") ? "+00:00" : text
        private_class_method :zone
      end
    end
  end
end

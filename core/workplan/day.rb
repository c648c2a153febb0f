# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Core
    module Workplan
      # A day as people and files write it: year, month and day of ISO 8601.
      module Day
        FORM = /\A\d{4}-\d{2}-\d{2}\z/

        module_function

        # @param text [Object]
        # @return [Date]
        # @raise [Error::InvalidInput]
        #   Day.read("2027-01-04").wday # => 1
        def read(text) = read?(text) || raise(Error::InvalidInput.new("“#{text}” is no day such as 2027-01-04."))

        # @param text [Object]
        # @return [Date, nil] nil where it is none
        def read?(text)
          Date.iso8601(text) if text.is_a?(String) && FORM.match?(text)
        rescue Date::Error
          nil
        end
      end
    end
  end
end

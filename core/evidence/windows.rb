# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Evidence
      # The spans of time that the search record is summed over. They end on the newest day that it has, not today:
      # sources lag some days behind.
      Windows = Struct.new(:newest, :days, :months, :kept_months, keyword_init: true) do
        const_set(:DAYS, 28)
        const_set(:MONTHS, 6)
        const_set(:KEPT_MONTHS, 16)
        const_set(:SPANS, %w[short middle long].freeze)

        # @param newest [Date] the newest day of the record
        def initialize(newest:, days: self.class::DAYS, months: self.class::MONTHS,
          kept_months: self.class::KEPT_MONTHS)
          super
        end

        # @return [Range<Date>] the short one: that day and those before, `days` in all
        #   Windows.new(newest: Date.new(2026, 11, 28)).short.begin.iso8601 # => "2026-11-01"
        def short = (newest - days + 1)..newest

        # @return [Range<Date>] by the calendar
        #   Windows.new(newest: Date.new(2026, 11, 28)).middle.begin.iso8601 # => "2026-05-29"
        def middle = ((newest << months) + 1)..newest

        # @return [Range<Date>] all that is kept
        def long = ((newest << kept_months) + 1)..newest

        # @return [Hash{String => Range<Date>}] by the names of the spans
        def spans = self.class::SPANS.zip([short, middle, long]).to_h
      end
    end
  end
end

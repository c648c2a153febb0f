# frozen_string_literal: true

require "fugit"

module IronTrellis
  module Core
    module Settings
      # How what indexes say of a site is read: where it is at home, how it writes dates, over which spans its search
      # record is summed, and which index counts first.
      class Evidence
        FIELDS =
          [
            Fields::TimeZone.new("time_zone", "UTC"),
            Fields::Choice.new("date_order", Core::Evidence::Cells::ORDERS.first, Core::Evidence::Cells::ORDERS),
            Fields::Number.new("days", Core::Evidence::Windows::DAYS, 1..92, "The short window in days"),
            Fields::Number.new("months", Core::Evidence::Windows::MONTHS, 1..16, "The middle window in months"),
            Fields::Number.new(
              "kept_months",
              Core::Evidence::Windows::KEPT_MONTHS,
              1..36,
              "All that is kept, in months"
            )
          ].to_h { |field| [field.name, field] }.freeze
        # The number of an index; which ones there are the store knows.
        FIRST_INDEX = "first_index"

        # @param given [Hash{String => Object}] those that differ from the defaults
        # @raise [Problems]
        def initialize(given)
          problems =
            (given.keys - FIELDS.keys - [FIRST_INDEX]).map do |name|
              {field: name, message: "There is no setting “#{name}”."}
            end
          problems += Problems.of(FIELDS, given)
          raise Problems.new(problems) if problems.any?

          @values = FIELDS.transform_values(&:default).merge(given).freeze
        end

        # @param name [String]
        # @return [Object]
        def fetch(name) = @values.fetch(name)

        # @return [Hash{String => Object}]
        def to_h = @values

        # @param now [Time]
        # @return [Date] the day it is where the site is at home
        def today(now) = (@zone ||= EtOrbi.get_tzone(fetch("time_zone"))).utc_to_local(now.getutc).to_date

        # @param newest [Date] the newest day of the search record
        # @return [Core::Evidence::Windows]
        def windows(newest)
          Core::Evidence::Windows.new(
            newest: newest,
            days: fetch("days"),
            months: fetch("months"),
            kept_months: fetch("kept_months")
          )
        end
      end
    end
  end
end

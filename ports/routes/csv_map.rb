# frozen_string_literal: true

require "csv"

module IronTrellis
  module Ports
    module Routes
      # A redirect map as a CSV of from, to, status; `to` is empty for 410.
      module CsvMap
        COLUMNS = %w[from to status].freeze

        module_function

        # @param bytes [String]
        # @return [Array(Array<Core::Routes::Route>, Array<CsvRows::Bad>)] what can be used, and the lines that can't
        # @raise [Core::Error::InvalidInput]
        def read(bytes)
          rows = CsvRows.new(bytes, COLUMNS)
          routes = []
          rows.each do |row, line|
            why = wrong(row)
            why ? rows.refuse(line, why) : routes << Core::Routes::Route.new(from: row["from"], to: row["to"].empty? ? nil : row["to"], status: row["status"].to_i, line: line)
          end
          [routes, rows.bad]
        end

        def wrong(row)
          return "“from” is empty" if row["from"].empty?
          return "“from” must be a path or a web address, not “#{row["from"]}”" unless row["from"].match?(ADDRESS)
          return "“to” must be a path or a web address, not “#{row["to"]}”" unless row["to"].empty? || row["to"].match?(ADDRESS)

          "“status” must be a number, not “#{row["status"]}”" unless row["status"].match?(/\A\d{3}\z/)
        end
        private_class_method :wrong

        ADDRESS = %r{\A(?:/|https?://[^/])}i
      end
    end
  end
end

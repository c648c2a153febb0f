# frozen_string_literal: true

module IronTrellis
  module Ports
    module Redirects
      module Maps
        # A redirect map as a CSV of from, to, status; `to` is empty for 410.
        module Csv
          NAME = "csv"
          LABEL = "CSV"
          PLACE = 3
          ENDING = "csv"
          WHOLE_ADDRESSES = false
          COLUMNS = %w[from to status].freeze
          TYPE = "text/csv; charset=utf-8"
          ADDRESS = %r{\A(?:/|https?://[^/])}i

          module_function

          # @param routes [Array<Core::Redirects::Route>]
          # @return [String]
          def write(routes)
            Tables::Formats::Csv.line([*COLUMNS, "kind", "query"]) +
              routes
                .map do |route|
                  Tables::Formats::Csv.line([route.from, route.to, route.status, route.kind, route.query])
                end
                .join
          end

          # @param source [String, IO] the file's bytes
          # @return [Array(Array<Core::Redirects::Route>, Array<Tables::CsvRows::Bad>)] what can be used, and the lines
          #   that can't
          # @raise [Core::Error::InvalidInput]
          def read(source)
            rows = Tables::CsvRows.new(source, COLUMNS, optional: %w[kind query])
            routes = []
            rows.each do |row, line|
              why = wrong(row)
              why ? rows.refuse(line, why) : routes << route(row, line, kind: row["kind"], query: row["query"])
            end
            [routes, rows.bad]
          end

          # A status that is none of a redirect is told when the map is checked (route-status).
          #
          # @param row [Hash{String => String}]
          # @return [Core::Redirects::Route]
          def route(row, line, kind: nil, query: nil)
            Core::Redirects::Route.new(
              from: row["from"],
              to: row["to"].empty? ? nil : row["to"],
              status: row["status"].match?(/\A\d{1,9}\z/) ? row["status"].to_i : row["status"],
              line: line,
              kind: Core::Redirects::Route::KINDS.include?(kind) ? kind : "exact",
              query: Core::Redirects::Route::QUERIES.include?(query) ? query : "match"
            )
          end

          # @param row [Hash{String => String}]
          # @return [String, nil] why it can't be used
          def wrong(row)
            return "“from” is empty" if row["from"].empty?
            unless row["from"].match?(ADDRESS) || row["kind"] == "pattern"
              return "“from” must be a path or a web address, not “#{row["from"]}”"
            end

            unless row["to"].empty? || row["to"].match?(ADDRESS)
              "“to” must be a path or a web address, not “#{row["to"]}”"
            end
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

require "json"

module IronTrellis
  module Ports
    module Redirects
      module Maps
        # A redirect map as JSON: a list of objects with from, to, status, kind, query.
        module Json
          NAME = "json"
          LABEL = "JSON"
          PLACE = 4
          ENDING = "json"
          WHOLE_ADDRESSES = false
          TYPE = "application/json"

          module_function

          # @param routes [Array<Core::Redirects::Route>]
          # @return [String]
          def write(routes) =
            JSON.pretty_generate(routes.map { |route| route.to_h.slice(:from, :to, :status, :kind, :query) })

          # @param source [String, IO] the file's bytes
          # @return [Array(Array<Core::Redirects::Route>, Array<Tables::CsvRows::Bad>)] what can be used, and the
          #   entries that can't (`line` counts them)
          # @raise [Core::Error::InvalidInput]
          def read(source)
            bad = []
            routes =
              parse(source.is_a?(String) ? source : source.read)
                .each
                .with_index(1)
                .filter_map do |one, number|
                  values = one.is_a?(Hash) ? one.slice("from", "to", "status").transform_values(&:to_s) : {}
                  row = {"from" => "", "to" => "", "status" => ""}.merge(values)
                  why = Csv.wrong(row)
                  next bad << Tables::CsvRows::Bad.new(line: number, why: why) && nil if why

                  Csv.route(row, number, kind: one["kind"], query: one["query"])
                end
            [routes, bad]
          end

          def parse(bytes)
            value = JSON.parse(Core::Content::Readable.of(bytes).delete_prefix("\uFEFF"))
            if value.is_a?(Array)
              value
            else
              raise(Core::Error::InvalidInput.new("The file must hold a list of objects with from, to and status."))
            end
          rescue JSON::ParserError => error
            raise Core::Error::InvalidInput.new("The file is no JSON: #{error.message.lines.first.to_s.strip[0, 120]}")
          end
          private_class_method :parse
        end
      end
    end
  end
end

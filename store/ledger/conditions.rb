# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Store
    module Ledger
      # One and/or tree of conditions on the columns of the ledger, or of another table that tells its columns likewise,
      # the same for screens, API and export:
      #
      #   {"all" => [{"field" => "words", "op" => "below", "value" => 200}, {"any" => [...]}]}
      #
      # It becomes SQL with parameters; nothing of what was given gets into the statement itself.
      class Conditions
        # The tree can't be read.
        class Malformed < Core::Error::InvalidInput; end

        OPS = {
          text: %w[is is_not one_of contains lacks starts ends matches matches_not empty filled],
          date: %w[since before empty filled],
          number: %w[is is_not at_least below empty filled],
          set: %w[is is_not one_of empty filled],
          flag: %w[is],
          list: %w[has has_not empty filled]
        }.freeze
        MOST_DEPTH = 5
        MOST_CONDITIONS = 50

        attr_reader :params

        # @param tree [Hash, nil] nil takes every row
        # @param fields [#kind, #sql, #exactly] the columns that can be asked
        # @raise [Malformed]
        def initialize(tree, fields: Fields)
          @fields = fields
          @params = []
          @count = 0
          @sql = tree.nil? ? nil : group(tree, 1)
        end

        # @return [String] an SQL condition whose parameters start at $1
        def sql = @sql || "true"

        private

        def group(node, depth)
          malformed("The conditions are nested too deep.") if depth > MOST_DEPTH
          malformed("A condition must be an object.") unless node.is_a?(Hash)
          return condition(node) if node.key?("field")

          word, parts = node.first
          unless node.size == 1 && %w[all any].include?(word) && parts.is_a?(Array)
            malformed("A group must be {\"all\": […]} or {\"any\": […]}.")
          end
          return "true" if parts.empty?

          "(#{parts.map { |part| group(part, depth + 1) }.join((word == "all") ? " AND " : " OR ")})"
        end

        def condition(node)
          malformed("There are more than #{MOST_CONDITIONS} conditions.") if (@count += 1) > MOST_CONDITIONS
          field, op, value = node.values_at("field", "op", "value")
          kind = @fields.kind(field)
          unless OPS[kind].include?(op)
            malformed("“#{field}” can't be asked with “#{op}”; use one of #{OPS[kind].join(", ")}.")
          end

          column, exact = (@fields.exactly(field, value) if op == "is")
          column ? "#{column} = #{param(exact)}" : write(@fields.sql(field), kind, op, value)
        end

        def write(column, kind, op, value)
          case op
          when "empty"
            (kind == :list) ? "coalesce(cardinality(#{column}), 0) = 0" : "coalesce(#{column}::text, '') = ''"
          when "filled"
            (kind == :list) ? "coalesce(cardinality(#{column}), 0) > 0" : "coalesce(#{column}::text, '') <> ''"
          when "has"
            "#{column} @> ARRAY[#{param(text(value))}]"
          when "has_not"
            "NOT #{param(text(value))} = ANY(coalesce(#{column}, '{}'))"
          when "matches", "matches_not"
            "coalesce(#{column}, '') #{(op == "matches") ? "~" : "!~"} " \
            "#{param(Core::Url::Pattern.new(text(value)).translated)}"
          when "since", "before"
            "#{column} #{(op == "since") ? ">=" : "<"} #{param(moment(value))}::timestamptz"
          when "one_of"
            "#{column} = ANY(#{param(Postgres::Sql.array(list(value)))}::text[])"
          else
            compare(column, kind, op, value)
          end
        end

        COMPARE = {"is" => "=", "is_not" => "IS DISTINCT FROM", "at_least" => ">=", "below" => "<"}.freeze
        LIKE = {"contains" => "%%%s%%", "lacks" => "%%%s%%", "starts" => "%s%%", "ends" => "%%%s"}.freeze

        def compare(column, kind, op, value)
          case kind
          when :number then "#{column} #{COMPARE.fetch(op)} #{param(number(value))}::numeric"
          when :flag then "#{column} IS #{flag(value)}"
          else
            return "#{column} #{COMPARE.fetch(op)} #{param(text(value))}" if COMPARE.key?(op)

            like = param(format(LIKE.fetch(op), text(value).gsub(/[\\%_]/) { |sign| "\\#{sign}" }))
            (op == "lacks") ? "coalesce(#{column}, '') NOT ILIKE #{like}" : "#{column} ILIKE #{like}"
          end
        end

        def param(value)
          @params << value
          "$#{@params.size}"
        end

        def text(value) =
          value.is_a?(String) ? value.delete("\0") : malformed("A text is needed here, not #{value.inspect}.")

        def number(value) = value.is_a?(Numeric) ? value : malformed("A number is needed here, not #{value.inspect}.")

        def list(value) =
          (value.is_a?(Array) && value.all?(String)) ? value : malformed("A list of texts is needed here.")

        def moment(value)
          Time.iso8601(text(value)).iso8601
        rescue ArgumentError
          begin
            ::Date.iso8601(value).iso8601
          rescue ::Date::Error
            malformed("“#{value}” is no date. Write it like 2026-05-31.")
          end
        end

        def flag(value) = [true, false].include?(value) ? value.to_s.upcase : malformed("true or false is needed here.")

        def malformed(message) = raise(Malformed.new(message))
      end
    end
  end
end

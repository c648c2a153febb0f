# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      # The columns of the ledger: those that the files in columns/ declare, theme by theme. Staging, writing,
      # conditions, sorting and exports derive from them; a test holds the table of the database and the contract to
      # them.
      module Registry
        class << self
          # @return [Array<Column>] in the order of exports
          def all
            @all ||= Columns.constants.map { |name| Columns.const_get(name) }.sort_by { |theme| theme::PLACE }
              .flat_map { |theme| theme::LIST }.each(&:freeze).freeze
          end

          # @return [Array<Column>] that can be asked for
          def shown = @shown ||= all.select(&:shown?).freeze

          # @return [Array<String>] names of those that are staged
          def staged = @staged ||= all.select(&:staged?).map(&:name).freeze

          # @param source [Symbol]
          # @return [Array<String>] names
          def of(source) = (@of ||= {})[source] ||= all.select { |column| column.source == source }.map(&:name).freeze

          # @return [Array<Column>] those whose value is worked out of facts, subject, climb and importance
          def worked_out = @worked_out ||= all.select { |column| column.source == :judged }.freeze

          # @param name [String]
          # @return [Column]
          # @raise [Error::InvalidInput]
          def fetch(name)
            (@by_name ||= shown.to_h { |column| [column.name, column] }).fetch(name) do
              raise Error::InvalidInput.new(
                "The ledger has no column “#{name}”.",
                field: name, known: shown.map(&:name)
              )
            end
          end
        end
      end
    end
  end
end

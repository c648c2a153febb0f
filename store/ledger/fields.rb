# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # The columns of the ledger as conditions ask for them.
      module Fields
        module_function

        # @return [Array<String>] all that can be asked for, in the order of exports
        def names = Core::Ledger::Registry.shown.map(&:name)

        # @return [Array<String>] those that are kept in order, so that any page of a ledger sorted by them is found at
        #   once
        def indexed = Core::Ledger::Registry.all.select(&:indexed).map(&:name)

        # @param name [String]
        # @return [String] an SQL expression
        def sql(name) = %("#{name}")

        # @return [nil] no column is found by another one
        def exactly(_name, _value) = nil

        # @param name [String]
        # @return [Symbol] :text, :number, :set, :flag, :list or :date
        # @raise [Core::Error::InvalidInput]
        def kind(name) = Core::Ledger::Registry.fetch(name).kind
      end
    end
  end
end

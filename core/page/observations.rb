# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # All that is observed, by being declared in the folder observations/: the columns of the crawl's table, what is
      # written into them and what rules see derive from it.
      module Observations
        module_function

        # @return [Array<Observation>] by name
        def all =
          @all ||= constants.map { |name| const_get(name) }.flat_map { |theme| theme::LIST }
            .sort_by(&:name).each(&:freeze).freeze

        # @return [Array<Symbol>]
        def names = @names ||= all.map(&:name).freeze

        # @return [Array<Symbol>]
        def seen_by_rules = @seen_by_rules ||= all.select(&:seen_by_rules?).map(&:name).freeze

        # @param seen [Seen]
        # @return [Array<Object>] values in the order of names
        def of(seen) = all.map { |one| one.value.call(seen) }
      end
    end
  end
end

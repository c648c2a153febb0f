# frozen_string_literal: true

module IronTrellis
  module Work
    module Triage
      # What of that which an index left out is meant, and its class where somebody knows better.
      module Classing
        module_function

        # @param index [Store::Evidence::Index]
        # @param input [Hash{String => Object}] urls (ids) or class, and to: a class
        # @return [void]
        # @raise [KeyError] where there is no such class
        def call(index, input)
          Core::Triage::Classes::ALL.fetch(input["to"])
          Store::Triage::KeptLines.new(index).put_into(chosen(index, input), input["to"])
        end

        # @param index [Store::Evidence::Index]
        # @param input [Hash{String => Object}] urls (ids), or class
        # @return [Array<Integer>] those that are named, or all of a class
        def chosen(index, input)
          return input["urls"].to_a.map { |id| Integer(id) } unless input["class"]

          Store::Triage::KeptLines.new(index).ids_of(input["class"])
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # All rules, found by being in the folder rules/.
      module Registry
        module_function

        # @return [Array<Class>] sorted by code
        def all = @all ||= Rules.constants.map { |name| Rules.const_get(name) }.grep(Class).sort_by(&:code).freeze

        # @param code [String]
        # @return [Class, nil]
        def find(code) = (@by_code ||= all.to_h { |rule| [rule.code, rule] }.freeze)[code]

        # @param code [String]
        # @return [Class]
        # @raise [Error::NotFound]
        def fetch(code) = find(code) || raise(Error::NotFound.new("There is no rule “#{code}”.", code: code))
      end
    end
  end
end

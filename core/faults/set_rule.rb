# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on indexable pages that share a value. VALUE names the field they share.
      class SetRule < Rule
        class << self
          # @return [Symbol] the field of Subject by which pages are gathered
          def value = self::VALUE
        end

        # @param value [String]
        # @param pages [Array<Subject>] two or more, in byte order of their URLs
        # @return [Array<Fault>]
        def check(value, pages) = raise(NoMethodError, "#{self.class} must define check(value, pages)")
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on indexable pages that share a value. VALUE names the field they share.
      class SetRule < Rule
        # What a page shares: the value, with how many, and the first two of them in byte order of their URLs.
        Shared = Struct.new(:value, :pages, :first, :second, keyword_init: true) do
          # @param url [String] of one of them
          # @return [String] the first other one
          def other_than(url) = (url == first) ? second : first
        end

        class << self
          # @return [Symbol] the field of Subject by which pages are gathered; of a list its first
          def value = self::VALUE
        end

        # @param page [Subject] one of those that share a value
        # @param shared [Shared]
        # @return [Fault, nil]
        def check(page, shared) = raise(NoMethodError, "#{self.class} must define check(page, shared)")
      end
    end
  end
end

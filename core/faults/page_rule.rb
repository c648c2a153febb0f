# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on one page's own facts.
      class PageRule < Rule
        class << self
          # @return [Boolean] whether it looks at what is known only when all pages are: what is usual in the page's
          #   group, copies, the final stop
          def needs_all? = const_defined?(:NEEDS_ALL)
        end

        NOTHING = [].freeze

        # Asked of every page by every rule, and mostly for nothing.
        #
        # @param page [Subject]
        # @return [Array<Fault>]
        def call(page)
          found = check(page) or return NOTHING
          found.is_a?(Array) ? found.compact : [found]
        end

        # @param page [Subject]
        # @return [Fault, Array<Fault>, nil]
        def check(page) = raise(NoMethodError, "#{self.class} must define check(page)")
      end
    end
  end
end

# frozen_string_literal: true

require "delegate"

module IronTrellis
  module Work
    module Proofs
      # A SiteProbe in which pages are asked for under addresses that no cache knows; all else is the same.
      class PastCaches < SimpleDelegator
        # @param url [String]
        # @return [Core::Proofs::View]
        def page(url) = own_page(url)
      end
    end
  end
end

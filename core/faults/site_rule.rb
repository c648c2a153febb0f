# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on the site as a whole: its robots.txt and sitemap files, what its hosts answer, spaces of URLs without
      # end.
      class SiteRule < Rule
        # @param site [SiteEvidence]
        # @return [Array<Fault>]
        def check(site) = raise(NoMethodError, "#{self.class} must define check(site)")
      end
    end
  end
end

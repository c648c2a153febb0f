# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # What is gone on purpose: nothing that the crawl saw linking to it does so any more, or it leads on.
        module LeftAlone
          CODES = %w[gone-linked].freeze
          ANCHORS = %w[anchor].freeze

          # @return [Array(Boolean, String)]
          def self.call(condition, probe)
            page = probe.page(condition.url)
            return true, page.explain unless page.status == Redirects::Route::GONE

            still = probe.linking(condition.url).find { |url| probe.page(url).links_to(condition.url, ANCHORS).any? }
            [still.nil?, still ? "#{still} links to it" : "nothing links to it"]
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A page links to another, as was accepted.
        module Linked
          CODES = %w[accepted-link].freeze
          ANCHORS = %w[anchor].freeze

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            page = probe.page(condition.url)
            links = page.links_to(condition.about, ANCHORS)
            [links.any?, links.any? ? "it links there: “#{links.first.text}”" : page.explain]
          end
        end
      end
    end
  end
end

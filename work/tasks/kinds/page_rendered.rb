# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Renders one URL of a crawl now, as its crawler and as a visitor.
        module PageRendered
          CODE = "page_rendered"
          DOING = "rendering a page"

          module_function

          # @param input [Hash{String => Object}] crawl (id), url
          # @yieldparam done [Integer]
          # @yieldparam total [Integer]
          # @return [Hash] as Rendering::Looks#call
          def call(input, now:, &progress) =
            Rendering::Looks.new(Store::Crawling::Crawl.fetch(input["crawl"])).call(input["url"], &progress)
        end
      end
    end
  end
end

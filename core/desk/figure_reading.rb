# frozen_string_literal: true

module IronTrellis
  module Core
    module Desk
      # What stands around each picture of a page.
      class FigureReading
        MOST = 100
        HEADINGS = %w[h1 h2 h3 h4 h5 h6].freeze

        # @param document [Nokolexbor::Document]
        # @param at [Url::Parts] where it was found
        def initialize(document, at)
          @document = document
          @resolver = Url::Resolver.new(at)
        end

        # @return [Array<Hash{String => Object}>] url, shown, caption and heading, in the order of the document
        def call
          heading = nil
          found =
            @document.css([*HEADINGS, "img[src]"].join(", ")).filter_map do |node|
              next (heading = Content::Folded.of(node.text)) && nil if HEADINGS.include?(node.name)

              figure(node, heading)
            end
          found.uniq { |one| one["url"] }.first(MOST)
        end

        private

        def figure(node, heading)
          url = @resolver.call(node["src"]) or return
          size = %w[width height].map { |name| node[name].to_s[/\A\d+/]&.to_i }
          {"url" => url, "shown" => (size if size.all?), "caption" => caption(node), "heading" => heading}
        end

        def caption(node)
          above = node.ancestors.find { |one| one.name == "figure" }
          text = above&.at_css("figcaption")&.text
          text && Content::Folded.of(text)
        end
      end
    end
  end
end

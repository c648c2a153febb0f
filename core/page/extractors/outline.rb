# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # Level and text of each heading, in the order of the document.
        module Outline
          NAME = :outline
          HEADINGS = "h1, h2, h3, h4, h5, h6"
          MOST = 1000

          module_function

          # @param document [DocumentReading]
          # @return [Array<Array(Integer, String)>]
          def call(document) =
            document
              .css(HEADINGS)
              .first(MOST)
              .map { |heading| [heading.name[1].to_i, Content::Folded.of(heading.text)] }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      module Extractors
        # How it is built, whatever it says (Page::Skeleton).
        module SkeletonSketch
          NAME = :skeleton

          module_function

          # @param document [DocumentReading]
          # @return [String]
          def call(document) = document.skeleton
        end
      end
    end
  end
end

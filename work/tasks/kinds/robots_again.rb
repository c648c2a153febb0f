# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Reads a robots.txt again, beside what a crawl found.
        module RobotsAgain
          CODE = "robots_again"
          DOING = "fetching a robots.txt"

          module_function

          # @param input [Hash{String => Object}] crawl (id), origin
          # @return [Hash] as Robots::ReadAgain#robots
          def call(input, now:)
            Robots::ReadAgain.new(Store::Crawling::Crawl.fetch(input["crawl"]), clock: -> { now }).robots(
              input["origin"]
            )
          end
        end
      end
    end
  end
end

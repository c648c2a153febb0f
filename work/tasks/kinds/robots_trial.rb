# frozen_string_literal: true

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Tries the robots.txt that an origin has now.
        module RobotsTrial
          CODE = "robots_trial"
          DOING = "a trial of a robots.txt"

          module_function

          # @param input [Hash{String => Object}] agent, url, urls, site (id, nil where there is none yet)
          # @return [Hash] file and rows
          def call(input, now:)
            site = input["site"] && Store::Sites::Site.fetch(input["site"])
            trial = Robots::Preview.of(input["agent"], site&.crawl_settings)
            file, rows = trial.live(input["url"].to_s, input["urls"])
            {file: file.to_h, rows: rows}
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # How a site's sitemaps shall be built.
        module Sitemaps
          extend Kind

          REBUILDS = %w[by_hand after_crawl daily].freeze
          # Of a sitemap plan: whether files are split by group, packed, carry images and languages, and list PDFs;
          # `priority` and `changefreq` by group, as asked.
          PLAN = {
            "by_group" => true,
            "packed" => true,
            "images" => true,
            "languages" => false,
            "pdfs" => false,
            "rebuild" => "by_hand",
            "priority" => {},
            "changefreq" => {}
          }.freeze

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              plan = PLAN.merge(value.slice(*PLAN.keys))
              unless REBUILDS.include?(plan["rebuild"])
                problem("“#{plan["rebuild"]}” is no time to build them; use one of #{REBUILDS.join(", ")}.")
              end
              plan["priority"].each do |group, priority|
                unless priority.is_a?(Numeric) && priority.between?(0, 1)
                  problem("The priority of #{group} must be from 0 to 1.")
                end
              end
              plan["changefreq"].each do |group, word|
                unless Core::Sitemaps::Checks::FREQUENCIES.include?(word)
                  problem(
                    "“#{word}” of #{group} is no changefreq; use one " \
                    "of #{Core::Sitemaps::Checks::FREQUENCIES.join(", ")}."
                  )
                end
              end
              [subject, plan]
            end
          end
        end
      end
    end
  end
end

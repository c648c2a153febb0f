# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # The robots.txt itself (RFC 9309).
        module RobotsFile
          CODES = %w[robots-no-sitemap robots-syntax robots-too-big robots-unreadable].freeze

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            file = probe.robots(condition.url)
            rule = Faults::Registry.fetch(condition.code)
            still = probe.judge(rule, nil).check(Faults::SiteEvidence.new(robots: [file]))
            still = still.select { |fault| same?(fault, condition, probe) } if condition.code == "robots-syntax"
            [still.empty?, found(file, still)]
          end

          # A line keeps its words, not its number.
          def same?(fault, condition, probe)
            line = probe.robots_then(condition.url).split(Robots::Ruleset::LINE_END)[condition.about.to_i - 1]
            fault.detail[:text] == line.to_s.sub(/#.*/, "").strip
          end

          def found(file, still)
            return "no answer: #{file["error"]}" if file["error"]

            still.first&.detail&.fetch(:text, nil) || "it answers #{file["status"]}"
          end
          private_class_method :same?, :found
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A sitemap file is read again: what was wrong in it isn't any more.
        module SitemapRead
          CODES = %w[sitemap-unreadable sitemap-nested-index sitemap-duplicate sitemap-off-host].freeze
          # These are told of the URL, about the file.
          OF_URL = %w[sitemap-duplicate sitemap-off-host].freeze
          OK = 200

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            address = OF_URL.include?(condition.code) ? condition.about : condition.url
            file = probe.sitemap(address)
            return read(condition, file) if condition.code == "sitemap-unreadable"
            return true, "#{address} answers #{file["status"] || file["error"]}" unless file["status"] == OK

            still = file["faults"].find { |flaw| same?(flaw, condition, probe) }
            [still.nil? && !nested?(condition, file), still ? flaw_told(still) : "it reads well"]
          end

          def read(condition, file)
            well = file["status"] == OK && file["faults"].none? { |flaw| flaw["code"] == condition.code }
            [well, "it answers #{file["status"] || file["error"]}"]
          end

          # A line moves; what stands on it stays.
          def same?(flaw, condition, probe)
            return false unless flaw["code"] == condition.code
            return flaw["about"] == condition.url if OF_URL.include?(condition.code)

            before = probe.flaw_then(condition.url, condition.code, condition.about)
            before.nil? || before == flaw["about"]
          end

          def nested?(condition, file) =
            condition.code == "sitemap-nested-index" && file["files"].include?(condition.about)

          def flaw_told(flaw) = ["line #{flaw["line"]}", flaw["about"]].compact.join(": ")
          private_class_method :read, :same?, :nested?, :flaw_told
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      module Checks
        # A sitemap lists what it shall, and not what it shall not.
        module Listed
          LISTS = %w[
            sitemap-lists-missing
            sitemap-lists-redirect
            sitemap-lists-noindex
            sitemap-lists-blocked
            sitemap-lists-diverted
            sitemap-lists-unwanted
          ].freeze
          OMITS = "sitemap-omits"
          NONE = "sitemap-none"
          UNWANTED = "sitemap-unwanted-group"
          CODES = [*LISTS, OMITS, NONE, UNWANTED].freeze
          KEEP_OUT = "keep_out"

          module_function

          # @return [Array(Boolean, String)]
          def call(condition, probe)
            case condition.code
            when OMITS then omitted(condition, probe)
            when NONE then none(probe)
            when UNWANTED then unwanted(condition, probe)
            else wrongly(condition, probe)
            end
          end

          # Either it isn't listed any more, or it is now what a sitemap may list.
          def wrongly(condition, probe)
            return true, "it isn't listed" unless probe.sitemap(condition.about)["urls"].include?(condition.url)

            page = probe.page(condition.url)
            [PageSilent.same_fault(condition, page, probe).nil?, "it is listed, and #{page.explain}"]
          end

          def omitted(condition, probe)
            file = probe.sitemaps.find { |one| probe.sitemap(one)["urls"].include?(condition.url) }
            [!file.nil?, file ? "#{file} lists it" : "none of #{probe.sitemaps.size} sitemap files lists it"]
          end

          def none(probe)
            file = probe.usual_sitemaps.find { |one| probe.sitemap(one)["kind"] }
            [!file.nil?, file || "there is none"]
          end

          def unwanted(condition, probe)
            file = probe.sitemap(condition.url)
            wanted = file["urls"].find { |url| probe.row(url)&.intent != KEEP_OUT }
            [file["urls"].empty? || !wanted.nil?, wanted ? "it lists #{wanted}" : "it lists #{file["urls"].size} URLs"]
          end
          private_class_method :wrongly, :omitted, :none, :unwanted
        end
      end
    end
  end
end

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
          def call(condition, world)
            case condition.code
            when OMITS then omitted(condition, world)
            when NONE then none(world)
            when UNWANTED then unwanted(condition, world)
            else wrongly(condition, world)
            end
          end

          # Either it isn't listed any more, or it is now what a sitemap may list.
          def wrongly(condition, world)
            return true, "it isn't listed" unless world.sitemap(condition.about)["urls"].include?(condition.url)

            page = world.page(condition.url)
            [PageSilent.told(condition, page, world).nil?, "it is listed, and #{page.told}"]
          end

          def omitted(condition, world)
            file = world.sitemaps.find { |one| world.sitemap(one)["urls"].include?(condition.url) }
            [!file.nil?, file ? "#{file} lists it" : "none of #{world.sitemaps.size} sitemap files lists it"]
          end

          def none(world)
            file = world.usual_sitemaps.find { |one| world.sitemap(one)["kind"] }
            [!file.nil?, file || "there is none"]
          end

          def unwanted(condition, world)
            file = world.sitemap(condition.url)
            wanted = file["urls"].find { |url| world.row(url)&.intent != KEEP_OUT }
            [file["urls"].empty? || !wanted.nil?, wanted ? "it lists #{wanted}" : "it lists #{file["urls"].size} URLs"]
          end
          private_class_method :wrongly, :omitted, :none, :unwanted
        end
      end
    end
  end
end

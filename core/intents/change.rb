# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # What other wishes would change, told before they are decided: which URLs would get a noindex or lose one, join
      # sitemaps or leave them, which links would lead to pages that nobody should find, and which wanted pages would be
      # reached by nothing but such pages.
      class Change
        # One URL as it is; `noindex` whether it says so now, `direct` whether it answers as a page of its own,
        # `listable` whether nothing but a noindex and what is wanted keeps it out of a sitemap.
        Page =
          Struct.new(
            :url,
            :before,
            :after,
            :wanted_after,
            :noindex,
            :direct,
            :indexable,
            :listed,
            :listable,
            :importance,
            keyword_init: true
          )

        # @param pages [Array<Page>]
        # @param linked [Hash{String => Array<String>}] by URL the pages that link to it, followed
        def initialize(pages, linked)
          @pages = pages
          @after = pages.to_h { |page| [page.url, page] }
          @linked = linked
        end

        # @return [Hash{Symbol => Array<Page>}] :gets_noindex, :loses_noindex, :joins_sitemaps, :leaves_sitemaps,
        #   :links_useless (targets), :cut_off; what matters most first
        def call
          {
            gets_noindex: @pages.select { |page| keeps_out?(page) && page.direct && !page.noindex },
            loses_noindex: @pages.select { |page| page.wanted_after && page.noindex && page.direct },
            joins_sitemaps: @pages.select { |page| page.wanted_after && !page.listed && page.listable },
            leaves_sitemaps: @pages.select { |page| page.listed && keeps_out?(page) },
            links_useless: @pages.select { |page| newly_out?(page) && @linked.fetch(page.url, []).any? },
            cut_off: @pages.select { |page| page.wanted_after && page.indexable && cut_off?(page) }
          }.transform_values { |found| found.sort_by { |page| [-(page.importance || 0), page.url] } }
        end

        private

        def keeps_out?(page) = page.after == "keep_out"

        def newly_out?(page) = keeps_out?(page) && page.before != "keep_out"

        # All that links to it shall be kept out, and something of that is new.
        def cut_off?(page)
          sources = @linked.fetch(page.url, []).filter_map { |url| @after[url] }
          sources.any? && sources.all? { |source| keeps_out?(source) } && sources.any? { |source| newly_out?(source) }
        end
      end
    end
  end
end

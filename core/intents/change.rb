# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # What other intents would change, told before they are decided: which URLs would get a noindex or lose one, join
      # sitemaps or leave them, which links would lead to pages that nobody should find, and which wanted pages would be
      # reached by nothing but such pages.
      module Change
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

        # What tells of a page by itself.
        OF_A_PAGE = {
          gets_noindex: ->(page) { keeps_out?(page) && page.direct && !page.noindex },
          loses_noindex: ->(page) { page.wanted_after && page.noindex && page.direct },
          joins_sitemaps: ->(page) { page.wanted_after && !page.listed && page.listable },
          leaves_sitemaps: ->(page) { page.listed && keeps_out?(page) }
        }.freeze
        # What tells only with the pages that link to it, followed.
        BY_LINKS = {
          links_useless: ->(page, sources) { newly_out?(page) && sources.any? },
          cut_off: ->(page, sources) { page.wanted_after && page.indexable && cut_off?(sources) }
        }.freeze

        class << self
          # @return [Array<Symbol>] all that can change
          def names = OF_A_PAGE.keys + BY_LINKS.keys

          # @param page [Page]
          # @return [Array<Symbol>] what changes for it, whatever links to it
          def of(page) = OF_A_PAGE.filter_map { |name, told| name if instance_exec(page, &told) }

          # @param page [Page]
          # @param sources [Array<Page>] that link to it, followed
          # @return [Array<Symbol>] what changes for it by these
          def reached(page, sources) = BY_LINKS.filter_map { |name, told| name if instance_exec(page, sources, &told) }

          # @param page [Page]
          # @return [Boolean] whether it is to be kept out, and wasn't before
          def newly_out?(page) = keeps_out?(page) && page.before != "keep_out"

          private

          def keeps_out?(page) = page.after == "keep_out"

          # All that links to it shall be kept out, and something of that is new.
          def cut_off?(sources) =
            sources.any? && sources.all? { |source| keeps_out?(source) } && sources.any? { |source| newly_out?(source) }
        end
      end
    end
  end
end

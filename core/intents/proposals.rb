# frozen_string_literal: true

module IronTrellis
  module Core
    module Intents
      # Proposes what to want of each page group, and of pages that are of another kind than their group, from what the crawl shows. Archives whose pages have
      # text of their own are left open: what brings something is never dropped by a blanket rule.
      class Proposals
        # What is known of one page.
        Page = Struct.new(:url, :title, :group, :words, :own_share, :indexable, :in_sitemap, :key_page, keyword_init: true)
        # For a whole group, or for single URLs of it (`urls` is nil then for groups).
        Proposal = Struct.new(:group, :urls, :intent, :reasons, keyword_init: true)

        # From this share on the kind of its pages is that of the group.
        MOST = 0.6
        # Under a quarter of their words are found on no other page (see the rule little-of-its-own).
        LITTLE = 0.25
        # Archives may be worth their place.
        ARCHIVES = ["archive by date", "tag archive", "author archive", "image page"].freeze
        LISTED = 0.5
        THIN = 120

        # @param pages [Array<Page>]
        # @param decided [Hash{String => String}] intent by group, of those where something was decided
        def initialize(pages, decided)
          @groups = pages.group_by(&:group)
          @known = pages.to_h { |page| [page.url, true] }
          @decided = decided
        end

        # @return [Array<Proposal>] groups first, the largest first
        def call
          found = @groups.sort_by { |group, pages| [-pages.size, group] }.map { |group, pages| [group, pages, kind(pages)] }
          groups = found.filter_map { |group, pages, kind| of_group(group, pages, kind) unless @decided.key?(group) }
          kept_out = groups.select { |one| one.intent == "keep_out" }.map(&:group) + @decided.select { |_, intent| intent == "keep_out" }.keys
          groups + found.reject { |group, _, _| kept_out.include?(group) }.flat_map { |group, pages, kind| singles(group, pages, kind) }
        end

        private

        # @return [Kinds::Kind, nil] what most of its pages are
        def kind(pages)
          kind, count = pages.filter_map { |page| Kinds.of(page.url, page.title) }.tally.max_by { |_, size| size }
          kind if kind && count >= pages.size * MOST
        end

        def of_group(group, pages, kind)
          return keep_out(group, pages, kind) if kind
          return wanted(group, pages) if pages.count(&:in_sitemap) >= pages.size * LISTED || pages.any?(&:key_page)

          little(group, pages)
        end

        def keep_out(group, pages, kind)
          own = median(pages.filter_map(&:own_share))
          words = median(pages.filter_map(&:words))
          return if ARCHIVES.include?(kind.name) && own && own >= LITTLE && words.to_i >= THIN

          Proposal.new(group: group, intent: "keep_out", reasons: [kind.why, *poor(own, words)])
        end

        def poor(own, words)
          [("Half of its pages have less than #{percent(own)} of their words for themselves." if own && own < LITTLE), ("They are thin: #{words.round} words." if words && words < THIN)].compact
        end

        def wanted(group, pages)
          listed = pages.count(&:in_sitemap)
          own = median(pages.filter_map(&:own_share))
          return if pages.count(&:indexable).zero?

          Proposal.new(group: group, intent: "index", reasons: [("#{listed} of #{pages.size} are listed in a sitemap." if listed.positive?), ("Half of its pages have #{percent(own)} of their words or more for themselves." if own)].compact)
        end

        # No kind that is known, but hardly a word of its own.
        def little(group, pages)
          own = median(pages.filter_map(&:own_share))
          words = median(pages.filter_map(&:words))
          return unless own && own < LITTLE && pages.size >= 3

          Proposal.new(group: group, intent: "keep_out", reasons: [*poor(own, words), "Sitemaps list few of them, or none."])
        end

        def singles(group, pages, kind_of_group)
          pages.reject(&:key_page).group_by { |page| Kinds.of(page.url, page.title) || (Kinds::PART_OF_LIST if part?(page.url)) }.reject { |kind, _| kind.nil? || kind == kind_of_group || ARCHIVES.include?(kind.name) }
            .map { |kind, ones| Proposal.new(group: group, urls: ones.map(&:url).sort, intent: "keep_out", reasons: [kind.why]) }
        end

        # The same address without its parameters is a page, too.
        def part?(url) = url.include?("?") && @known.key?(url[/\A[^?]+/])

        def median(values) = values.sort[(values.size - 1) / 2]

        def percent(share) = "#{(share * 100).round}%"
      end
    end
  end
end

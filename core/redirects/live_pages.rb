# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # The pages that a lost address could lead to, found by what they share with it: text, title, address, code,
      # words.
      class LivePages
        # `text` is a digest of what the page says, nil where it isn't known.
        Page = Struct.new(:url, :title, :lang, :text, :importance, keyword_init: true)

        # A code that more pages share names no product.
        MOST_WITH_CODE = 12
        # What more pages share doesn't tell them apart, so it isn't followed.
        COMMON = 3_000
        # So many of the rarest runs of an address, or words of a title, are followed.
        RARE = 8
        # So many of those that share most are looked at closely.
        CLOSE = 30

        NUMBER = /\A\d+\z/

        attr_reader :homes

        # @param pages [Array<Page>] that may be indexed
        def initialize(pages)
          @pages = pages
          @by_url = pages.to_h { |page| [page.url, page] }
          @homes =
            pages.select { |page| Naming.path(page.url) == "/" }.to_h { |page| [page.url[%r{\Ahttps?://[^/]+}], page] }
          @by_text = gather { |page| [page.text].compact }
          @by_title = gather { |page| [fold(page.title)].compact }
          @slugs = pages.to_h { |page| [page.url, Naming.slug(page.url)] }
          @by_slug = gather { |page| [@slugs[page.url]].reject(&:empty?) }
          @by_code = gather { |page| Naming.codes("#{@slugs[page.url]} #{page.title}") }
          @by_trigram = gather_slugs
          @by_word = gather { |page| Naming.words(page.title.to_s) }
        end

        # @param url [String]
        # @return [Page, nil]
        def at(url) = @by_url[url]

        # @return [Array<Page>]
        def with_text(text) = text ? @by_text.fetch(text, []) : []

        # @return [Array<Page>]
        def with_title(title) = fold(title)&.then { |folded| @by_title.fetch(folded, []) } || []

        # @return [Array<Page>]
        def with_slug(slug) = slug.empty? ? [] : @by_slug.fetch(slug, [])

        # @return [Array<Page>]
        def with_code(code) = @by_code.fetch(code, []).then { |found| (found.size > MOST_WITH_CODE) ? [] : found }

        # @param slug [String]
        # @param least [Float]
        # @return [Hash{Page => Float}] pages whose last part is written nearly so, and how alike the two are (Dice's
        #   coefficient of runs of three characters)
        def near_slug(slug, least)
          runs = Naming.trigrams(slug)
          close(@by_trigram, runs).flat_map do |other|
            others = Naming.trigrams(other)
            alike = 2.0 * (runs & others).size / (runs.size + others.size)
            (alike >= least && other != slug) ? @by_slug[other].map { |page| [page, alike] } : []
          end.to_h
        end

        # @param text [String] what links call a page
        # @param least [Float]
        # @return [Hash{Page => Float}] pages whose title says nearly the same words, and how alike the two are
        #   (Jaccard's index)
        def near_title(text, least)
          words = Naming.words(text)
          close(@by_word, words).filter_map do |page|
            others = Naming.words(page.title)
            # Letter 17 isn't letter 101.
            next if words.grep(NUMBER) != others.grep(NUMBER)

            both = (words & others).size
            alike = both.fdiv(words.size + others.size - both)
            [page, alike] if alike >= least
          end.to_h
        end

        # @param url [String]
        # @return [Page, nil] the nearest folder above it that lives, but for the home page
        def folder_above(url)
          origin = url[%r{\Ahttps?://[^/]+}]
          parts = url.delete_prefix(origin).sub(/\?.*/, "").split("/").reject(&:empty?)
          (parts.size - 1).downto(1).each do |size|
            path = "#{origin}/#{parts.first(size).join("/")}"
            found = at("#{path}/") || at(path)
            return found if found
          end
          nil
        end

        private

        def fold(title) = title && title.downcase.split.join(" ").then { |folded| folded unless folded.empty? }

        def gather
          @pages.each_with_object({}) { |page, found| yield(page).each { |key| (found[key] ||= []) << page } }
        end

        def gather_slugs
          @by_slug
            .each_key
            .with_object({}) { |slug, found| Naming.trigrams(slug).each { |run| (found[run] ||= []) << slug } }
        end

        # Those that share most of the rarest keys.
        def close(index, keys)
          rare = keys.filter_map { |key| index[key] }.reject { |found| found.size > COMMON }.min_by(RARE, &:size)
          rare
            .each_with_object(Hash.new(0)) { |found, counts| found.each { |one| counts[one] += 1 } }
            .max_by(CLOSE) { |_, count| count }
            .map(&:first)
        end
      end
    end
  end
end

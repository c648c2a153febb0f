# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Tells what needs no work of its own since other work settles it: what hangs on a section that is missing as a
      # whole, missing addresses that were never there but for a mistyped link, whatever else is wrong with a URL that
      # goes away, and what a page shared with those that go.
      class Settling
        SECTION = "section-broken"
        MISSING = "not-found"
        LISTED = "sitemap-lists-missing"
        LINK = "link-to-missing"
        # Faults of the missing URL itself, and those of others that are about it.
        KNOWN = [LISTED, "index-stale"].freeze
        OF_THE_URL = [MISSING, *KNOWN].freeze
        ABOUT_IT = [LINK, "hreflang-to-missing", "canonical-to-missing"].freeze

        # The surest way out of the index first: an answer or a redirect, then what the page says.
        SUREST = %w[server redirects content directives canonicals].freeze
        # Work on files goes on whatever happens to the pages.
        OF_FILES = %w[sitemaps robots].freeze

        # @param entries [Array<Entry>] all that there are
        # @return [Array(Array<Entry>, Hash{Entry => Array<Entry>})] those that need work, and by one of them, compared
        #   by identity, what its work settles
        def self.call(entries) = new(entries).call

        # (see .call)
        def initialize(entries)
          @entries = entries
          @settles = {}.compare_by_identity
          @settled = {}.compare_by_identity
        end

        # (see .call)
        def call
          sections
          mistyped
          leaving
          shared
          [@entries.reject { |entry| @settled.key?(entry) }, @settles]
        end

        private

        def sections
          found = @entries.select { |entry| entry.code == SECTION }.group_by { |entry| Url::Authority.of(entry.url) }
          return if found.empty?

          @entries.each do |entry|
            url = missing(entry) or next
            found.fetch(Url::Authority.of(url), []).each do |section|
              settle(section, entry) if Redirects::BrokenSections.match?(url, section.about)
            end
          end
        end

        def missing(entry)
          return entry.url if OF_THE_URL.include?(entry.code)

          entry.about if ABOUT_IT.include?(entry.code)
        end

        # Every link to it is mistyped, and neither a sitemap nor the index ever knew it.
        def mistyped
          links = @entries.select { |entry| entry.code == LINK }.group_by(&:about)
          known = @entries.select { |entry| KNOWN.include?(entry.code) }.to_h { |entry| [entry.url, true] }
          @entries.each do |entry|
            next if entry.code != MISSING || known.key?(entry.url) || entry.brought

            leading = links.fetch(entry.url, [])
            settle(leading.min_by(&:url), entry) if leading.any? && leading.all? { |link| (link.detail || {})["cause"] }
          end
        end

        def leaving
          @leaving = {}
          still = @entries.reject { |entry| @settled.key?(entry) || entry.url.nil? }
          still.group_by(&:url).each do |url, some|
            surest = some.select { |entry| entry.takes_away? && entry.kind }
              .min_by { |entry| [SUREST.index(entry.kind) || SUREST.size, entry.code] } or next
            @leaving[url] = surest
            some.each { |entry| settle(surest, entry) if needless?(entry, surest) }
          end
        end

        def needless?(entry, surest) =
          !entry.equal?(surest) && !OF_FILES.include?(entry.kind) && !(entry.takes_away? && entry.kind == surest.kind)

        # What the page that stays has in common with none but pages that go.
        def shared
          @entries
            .select { |entry| entry.url && entry.rule && entry.rule < Faults::SetRule && entry.rule.same }
            .group_by { |entry| [entry.code, (entry.detail || {})[entry.rule.same]] }
            .each do |_, some|
              staying, going = some.partition { |entry| !@leaving.key?(entry.url) }
              next if staying.size != 1 || going.empty? || going.size + 1 < (some.first.detail || {})["pages"].to_i

              settle(@leaving[going.map(&:url).max], staying.first)
            end
        end

        def settle(by, entry)
          return if @settled.key?(entry) || @settled.key?(by)

          (@settles[by] ||= []) << entry
          @settled[entry] = true
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Tells what needs no work of its own since other work settles it: what hangs on a section that is missing as a
      # whole, and missing addresses that were never there but for a mistyped link.
      class Settling
        SECTION = "section-broken"
        MISSING = "not-found"
        LISTED = "sitemap-lists-missing"
        LINK = "link-to-missing"
        # Faults of the missing URL itself, and those of others that are about it.
        KNOWN = [LISTED, "index-stale"].freeze
        OF_THE_URL = [MISSING, *KNOWN].freeze
        ABOUT_IT = [LINK, "hreflang-to-missing", "canonical-to-missing"].freeze

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

        def settle(by, entry)
          return if @settled.key?(entry) || @settled.key?(by)

          (@settles[by] ||= []) << entry
          @settled[entry] = true
        end
      end
    end
  end
end

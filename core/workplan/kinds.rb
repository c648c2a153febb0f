# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Which kind of work mends which fault. A code that is named beats a pattern.
      module Kinds
        ALL = %w[
          server
          robots
          directives
          canonicals
          redirects
          links
          languages
          sitemaps
          content
          request
        ].freeze
        NAMED = {
          "server" => %w[
            server-error
            unreachable
            slow
            heavy-page
            insecure
            mixed-content
            host-variants
            slash-variants
            case-variants
            index-file-variants
            parameter-variants
            crawl-trap
            missing-page-bare
            soft-missing
            resource-broken
            redirect-downgrade
            render-only
          ],
          "robots" => %w[blocked-wanted blocked-resource noindex-unseen decided-block],
          "directives" => %w[noindex-wanted stray stray-header nofollow-internal goal-page-open bloat decided-intent],
          "canonicals" => %w[kept-elsewhere copy-exact decided-canonical],
          "redirects" => %w[not-found gone-linked accepted-route],
          "links" => %w[outbound-missing orphan few-links-in too-deep dead-end too-many-links accepted-link],
          "content" => %w[
            thin
            little-of-its-own
            copy-near
            facts-differ
            not-for-phones
            passed-over
            dropped
            near-win
            phrase-absent
            wanted-unseen
            title-equals-h1
            improve
            merge
          ],
          "request" => %w[waiting]
        }.freeze
        BY_CODE = NAMED.flat_map { |kind, codes| codes.map { |code| [code, kind] } }.to_h.freeze
        PATTERNS = {
          "robots-" => "robots",
          "directive-" => "directives",
          "canonical-" => "canonicals",
          "redirect-" => "redirects",
          "link-to-" => "links",
          "hreflang-" => "languages",
          "lang-" => "languages",
          "sitemap-" => "sitemaps",
          "title-" => "content",
          "description-" => "content",
          "h1-" => "content",
          "image-" => "content",
          "data-" => "content",
          "drafted-" => "content"
        }.freeze
        # What makes no fix: it gives the fix that removes its URL for good its deadline.
        NONE = %w[hide-running-out].freeze
        # What takes a URL out of the index for good, and how many days before its hide ends that has to be done.
        LASTING = %w[directives redirects].freeze
        DAYS_BEFORE_HIDE_ENDS = 7
        STALE = "index-stale"
        # What the index has let go of may be blocked.
        BLOCK = "decided-block"
        VARIANTS = /-variants\z/
        PARAMETERS = "parameter-variants"

        module_function

        # @param code [String]
        # @param detail [Hash] of the fault; of a stale page `crawl`, what the crawl saw
        # @param chosen [Boolean] whether a canonical was chosen for the URL
        # @return [String, nil] nil where it makes no fix
        #   Kinds.of("redirect-downgrade") # => "server"
        #   Kinds.of("index-stale", {"crawl" => "noindex"}) # => "directives"
        def of(code, detail = {}, chosen: false)
          return if NONE.include?(code)
          return stale(detail["crawl"].to_s) if code == STALE
          return "canonicals" if code == PARAMETERS && chosen

          BY_CODE[code] || PATTERNS.find { |start, _| code.start_with?(start) }&.last
        end

        def stale(seen)
          return "directives" if seen.include?("noindex")

          seen.match?(/block|robots/) ? "robots" : "redirects"
        end
        private_class_method :stale
      end
    end
  end
end

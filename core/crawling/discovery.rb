# frozen_string_literal: true

module IronTrellis
  module Core
    module Crawling
      # Which URLs a page brings into the crawl, and whether each is to be fetched: links that are followed, redirects,
      # canonicals and hreflang as pages; images, scripts and styles by HEAD; links to other hosts by HEAD where that
      # was asked for. What may not be followed, lies too deep or isn't wanted is known but not fetched.
      class Discovery
        # `hops` are the redirects that led there, `reason` says why it isn't to be fetched: :nofollow, :deep, :kind or
        # :redirects; nil where it is.
        Found = Struct.new(:url, :purpose, :depth, :reason, :hops)

        CLICKS = %w[anchor frame refresh].to_h { |type| [type, true] }.freeze
        REFERENCES = %w[canonical hreflang].to_h { |type| [type, true] }.freeze
        # Search crawlers give up after five to ten redirects (common practice); there are sites that redirect without
        # end.
        MOST_HOPS = 20
        PDF = /\.pdf(?:\?|\z)/i

        # How many URLs are remembered as known to the crawl, so that they aren't offered again.
        MEMORY = 200_000

        # @param settings [Settings::Crawl]
        # @param follow [Boolean] whether links lead on; a crawl of a list follows redirects only
        def initialize(settings, follow: settings.mode == "follow")
          @scope = settings.scope
          @follow = follow
          @max_depth = settings.max_depth
          @nofollow = settings.follow_nofollow
          @external = settings.check_external
          @pdfs = settings.pdfs
          @resources = settings.resources.to_h { |type| [type, true] }
          @settled = {}
        end

        # Tells that these were stored to be fetched as pages, so that they need no second mention.
        #
        # @param urls [Array<String>]
        # @return [void]
        def settle(urls)
          @settled.clear if @settled.size > MEMORY
          urls.each { |url| @settled[url] = true }
        end

        # @param outcome [Outcome]
        # @return [Array<Found>] URLs that aren't settled, each once
        def call(outcome)
          depth = outcome.item.depth
          found = {}
          redirect(found, outcome.redirect_to, depth, outcome.item.hops + 1) if outcome.redirect_to
          outcome.facts&.links&.each { |link| consider(found, link, depth + 1) } if @follow
          found.values
        end

        private

        def consider(found, link, depth)
          target = link.target
          return if @settled.key?(target)

          type = link.type
          if CLICKS.key?(type) then click(found, link, target, depth)
          elsif REFERENCES.key?(type) then page(found, target, depth, nil)
          elsif @resources.key?(type) then resource(found, target, depth)
          end
        end

        # Where a checked link to another host is sent on to is checked, too.
        def redirect(found, target, depth, hops)
          many = (:redirects if hops > MOST_HOPS)
          @scope.host?(target) ? page(found, target, depth, many) : external(found, target, depth, many)
          found[target].hops = hops if found[target]
        end

        def click(found, link, target, depth)
          return external(found, target, depth) unless @scope.host?(target)

          page(found, target, depth, (:nofollow unless link.followed || @nofollow))
        end

        def page(found, target, depth, reason)
          return if @settled.key?(target) || !@scope.cover?(target)

          reason ||= :kind if !@pdfs && PDF.match?(target)
          reason ||= :deep if depth > @max_depth
          keep(found, target, :page, depth, reason)
        end

        def resource(found, target, depth)
          keep(found, target, :resource, depth, nil) if @scope.embeds?(target)
        end

        def external(found, target, depth, reason = nil)
          keep(found, target, :external, depth, reason) if @external
        end

        # Of two mentions the one with more reason to fetch counts: a page more than a resource, either more than a mere
        # mention.
        def keep(found, url, purpose, depth, reason)
          before = found[url]
          return found[url] = Found.new(url, purpose, depth, reason, 0) unless before
          return if reason || (before.reason.nil? && (before.purpose == :page || purpose == before.purpose))

          before.purpose, before.reason = purpose, nil if before.reason || purpose == :page
        end
      end
    end
  end
end

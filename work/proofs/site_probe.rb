# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # What the checks of conditions look at (see Core::Proofs::Checks): the site as it answers now, each thing asked
      # for once, beside what the crawl knew of it.
      class SiteProbe
        USUAL = "/sitemap.xml"

        # @param run [Store::Judging::VerdictRun]
        # @param clock [#call] gives the time
        def initialize(run, clock:)
          @crawl = run.crawl
          @client = HostClient.new(@crawl, clock: clock)
          @look = PageLook.new(run, clock: clock)
          @known = Store::Proofs::Known.new(run)
          @limits = @crawl.site.limits
          @shown, @pages, @own, @files, @rules = {}, {}, {}, {}, {}
        end

        # @return [PastCaches] the same site past its caches
        def past = PastCaches.new(self)

        # @param urls [Array<String>] that will be looked at
        # @return [SiteProbe] itself
        def about(urls) = tap { @known.load(urls) }

        # @param url [String]
        # @return [Core::Proofs::View]
        def page(url) = @pages[url] ||= look(url) { |parts| shown(parts) }

        # @param url [String]
        # @return [Core::Proofs::View] under an address that no cache knows, where that can be told
        def own_page(url) = @own[url] ||= look(url) { |parts| own(parts) }

        # @param url [String, nil]
        # @return [String, nil] why nothing can be said of the page just now: it gave no answer, or may not be asked
        #   for; nil where it could be seen, or wasn't looked at
        def unseen(url)
          subject = @pages[url]&.subject or return
          return unless subject.status.nil?

          error = subject.error || @client.robots(Core::Url::NormalForm.parse(url)).error
          error ? "the site gave no answer: #{error}" : "it is blocked by robots.txt"
        end

        # @param url [String]
        # @return [Core::Faults::Subject, nil]
        def row(url) = @known.row(url)

        # @param url [String]
        # @return [Array<String>] pages that linked to it
        def linking(url) = @known.linking(url)

        # @param url [String] any of the origin
        # @return [Hash{String => Object}]
        def robots(url)
          file = @client.robots(Core::Url::NormalForm.parse(url))
          {"origin" => file.origin, "status" => file.status, "error" => file.error, "body" => file.body}
        end

        # @param url [String] any of the origin
        # @return [String] its robots.txt as it was crawled
        def robots_then(url)
          origin = Core::Url::NormalForm.parse(url).origin
          Store::Robots::RobotsFiles.all(@crawl.id).find { |file| file["origin"] == origin }&.fetch("body").to_s
        end

        # @param url [String]
        # @return [Hash{String => Object}]
        def sitemap(url)
          @files[url] ||=
            begin
              file = @client.sitemap(Core::Url::NormalForm.parse(url))
              reading = file.reading
              {
                "url" => url,
                "status" => file.status,
                "error" => file.error,
                "kind" => (reading.kind if file.sitemap?),
                "faults" => (reading&.flaws || []).map { |flaw| flaw.to_h.transform_keys(&:to_s) },
                "files" => reading&.sitemaps.to_a,
                "urls" => reading&.entries.to_a.filter_map(&:url)
              }
            end
        end

        # @return [Array<String>] sitemap files that the crawl read
        def sitemaps = @sitemaps ||= Store::Sitemaps::SitemapFiles.new(@crawl).answering

        # @return [Array<String>] where the site's sitemap is looked for
        def usual_sitemaps
          home = Core::Url::NormalForm.parse(@crawl.crawl_settings.first_urls.first)
          named = Core::Robots::Ruleset.new(robots(home.to_s)["body"].to_s).sitemaps
          named.select { |url| Core::Url::NormalForm.parse?(url) } | ["#{home.origin}#{USUAL}"]
        end

        # @param url [String] of a sitemap file
        # @param code [String]
        # @param line [String]
        # @return [String, nil] what was wrong on that line when it was crawled
        def flaw_then(url, code, line)
          Store::Sitemaps::SitemapFiles
            .new(@crawl)
            .flaws(url)
            .find { |flaw| flaw["code"] == code && flaw["line"].to_s == line.to_s }
            &.fetch("about")
        end

        # @param url [String] that a host was asked for besides
        # @return [Hash{String => Object}, nil] as Store::Crawling::Probes has it, asked again
        def probe(url)
          probe = Store::Crawling::Probes.new(@crawl).all.find { |one| one["url"] == url } or return
          parts = Core::Url::NormalForm.parse(url)
          answer = @client.fetch(parts)
          ways = @look.read(parts, answer)&.links&.count { |link| %w[anchor form].include?(link.type) }
          location = answer.header_lines && answer.headers.first("location")
          probe.merge(
            "status" => answer.status,
            "error" => answer.error,
            "links" => ways,
            "location" => location && Core::Url::Resolver.new(parts).call(location)
          )
        end

        # @param rule [Class]
        # @param group [String, nil]
        # @return [Core::Faults::Rule]
        def judge(rule, group) = @rules[[rule, group]] ||= rule.new(@limits.for(group))

        # @return [void]
        def close = @client.close

        private

        def look(url)
          parts = Core::Url::NormalForm.parse(url)
          decision = @client.allowed(parts)
          known = @known.row(parts.to_s)
          shut = !decision.nil? && !decision.allowed? && !@client.ignores_robots?
          return @look.view(parts, decision, nil, nil, {hops: []}, known) if shut

          @look.view(parts, decision, *yield(parts), known)
        end

        def shown(parts) = @shown[parts.to_s] ||= @client.page(parts, @look)

        # A server that strips what it doesn't know has no other answer; and one that answers by the query may take what
        # was made up for another page.
        def own(parts)
          return shown(parts) if parts.query && !@client.from_cache?(shown(parts).first)

          own = @client.page(parts, @look, past: true)
          (own.last[:hops].first == parts.to_s) ? shown(parts) : own
        end
      end
    end
  end
end

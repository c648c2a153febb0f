# frozen_string_literal: true

module IronTrellis
  module Work
    module Triage
      # Sorts what one index left out of a site into classes, each URL looked at first: now, or as the newest crawl saw
      # it.
      class SortingOut
        # @param site [Store::Sites::Site]
        # @param index [Store::Evidence::Index]
        # @param clock [#call]
        # @raise [Core::Error::Conflict] where nothing was crawled
        def initialize(site, index, clock:)
          @site = site
          @clock = clock
          @run = site.newest_verdicts
          @basis = Store::Evidence::Basis.of(site, now: clock.call, index: index)
          @rows = Store::Triage::LeftOutRows.new(@run, @basis)
          @scope = site.crawl_settings.scope
          @intent_rules = site.intent_rules
        end

        # @param fetch [Boolean] whether each URL is looked at now
        # @yieldparam done [Integer]
        # @yieldparam total [Integer]
        # @return [Array<Core::Triage::Sorting::Sorted>] by URL in byte order
        def call(fetch:, &progress)
          @rows.prepared do
            rows = @rows.all
            seen = fetch ? look(rows, &progress) : rows.to_h { |row| [row["url"], seen_by_crawl(row)] }
            Core::Triage::Sorting.of(pages(rows, seen))
          end
        end

        private

        def look(rows)
          urls = rows.map { |row| row["url"] }
          found =
            Crawling::LiveLook.new(@site, clock: @clock).call(urls) { |done| yield done, urls.size if block_given? }
          Store::Evidence::LiveChecks.keep(@site, found)
          found
        end

        # @return [Core::Triage::Seen, nil] nil where no crawl knows it
        def seen_by_crawl(row)
          return if row["found_by"] == [Judging::OnlyEvidence::SOURCE]

          if row["robots_allowed"] == false && row["status"].nil?
            return Core::Triage::Seen.new(at: row["fetched_at"], blocked: true)
          end
          return unless row["fetched_at"]

          hops = row["redirect_chain"] || []
          off_site = hops.find { |hop| !@scope.host?(hop) }
          Core::Triage::Seen.new(
            at: row["fetched_at"],
            hops: hops.size,
            final_url: off_site || row["final_url"] || hops.last,
            end_status: row["final_status"],
            off_site: !off_site.nil?,
            loop: !row["redirect_to"].nil? && row["final_url"].nil?,
            refresh: !row["redirect_to"].nil? && row["status"] == 200,
            **row.slice("status", "error", "noindex", "canonical", "content_type", "words").transform_keys(&:to_sym)
          )
        end

        def pages(rows, seen)
          canonicals = canonicals_in_index(seen.values)
          bare = bare_known(rows)
          targets = targets(rows, seen)
          rows.map do |row|
            one = seen[row["url"]]
            page(row, one).tap do |page|
              page.canonical_in_index = canonicals.key?(one&.canonical)
              page.bare_known = bare.key?(row["url"])
              page.target = targets[row["url_id"]]&.find(&:target)
            end
          end
        end

        def page(row, seen)
          rule = @intent_rules.rule_for(row["url"])
          intent = row["intent"] || rule&.intent || "undecided"
          Core::Triage::LeftOut.new(
            url: row["url"],
            standing: row["standing"],
            seen: seen,
            group: row["group"] || @intent_rules.group(row["url"]),
            intent: intent,
            wanted: row["wanted"].nil? ? wanted?(row["url"], intent) : row["wanted"],
            links_in: row["links_in"] || 0,
            words: seen&.words || row["words"],
            clicks: row["long_clicks"] || (0 if @basis.record),
            impressions: row["long_impressions"] || (0 if @basis.record),
            in_sitemaps: row["in_sitemaps"] || false,
            **row.slice(
              "standing_reason",
              "standing_date",
              "since",
              "kept_under",
              "outside_links",
              "dropped",
              "copy_of",
              "soft_missing"
            ).transform_keys(&:to_sym)
          )
        end

        def wanted?(url, intent) = @intent_rules.wanted?(url, listed: false, intent: intent)

        def id(url) = Core::Url::NormalForm.id(@site.id, url)

        def canonicals_in_index(seen)
          urls = seen.compact.filter_map(&:canonical).uniq
          held = @rows.in_index(urls.map { |url| id(url) })
          urls.select { |url| held.key?(id(url)) }.to_h { |url| [url, true] }
        end

        def bare_known(rows)
          bare =
            rows.filter_map { |row| [row["url"], id(row["url"].sub(/\?.*/m, ""))] if row["url"].include?("?") }.to_h
          known = @rows.known(bare.values.uniq)
          bare.select { |_, number| known.key?(number) }
        end

        # Of what isn't there.
        def targets(rows, seen)
          lost = rows.select { |row| lost?(seen[row["url"]], row) }.map { |row| row["url_id"] }
          lost.empty? ? {} : Redirects::SuggestedTargets.new(@run, clock: @clock).for(lost)
        end

        def lost?(seen, row)
          return false if seen.nil? || seen.blocked

          [seen.status, seen.end_status].any? { |status| status && (400..499).cover?(status) } || row["soft_missing"]
        end
      end
    end
  end
end

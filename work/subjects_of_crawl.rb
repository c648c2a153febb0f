# frozen_string_literal: true

module IronTrellis
  module Work
    # Joins the facts of a crawl with its link graph, the groups and the intents, and judges each URL's climb.
    class SubjectsOfCrawl
      PAGE = Store::Frontier::PURPOSES[:page]

      # @param facts [Store::CrawlFacts]
      # @param settings [Core::Settings::Crawl]
      # @param wishes [Core::Groups::Intents]
      def initialize(facts, settings:, wishes:)
        @facts = facts
        @settings = settings
        @wishes = wishes
        @starts = settings.start_urls.to_h { |url| [url, true] }
      end

      # @return [Array<JudgedUrl>]
      def call
        @rows = {}
        @facts.urls { |rows| rows.each { |row| @rows[row["url_id"]] = row } }
        read_graph
        judged = @rows.map { |id, row| judge(id, row) }
        tell_medians(judged)
        judged
      end

      private

      def read_graph
        @links_in, @links_out, @types_in = @facts.links_in, @facts.links_out, @facts.types_in
        @sitemaps, @robots_reachable = @facts.sitemaps, @facts.robots_reachable
        @hops = @rows.filter_map { |id, row| [id, row["redirect_to_id"] || row["refresh_to_id"]] if row["redirect_to_id"] || row["refresh_to_id"] }.to_h
        @texts = @rows.each_with_object({}) { |(_, row), texts| texts[row["redirect_to_id"] || row["refresh_to_id"]] = row["redirect_to"] || row["refresh_to"] }
        starts = @rows.filter_map { |id, row| id if @starts.key?(row["url"]) }
        @depths = Core::Graph::Depths.of(starts: starts, links: @facts.clicks, redirects: @hops)
      end

      def judge(id, row)
        subject = subject(id, row)
        climb = Core::Ladder::Climb.new(evidence(id, row, subject))
        subject.stop = climb.stop
        subject.indexable = climb.indexable?
        JudgedUrl.new(id: id, facts: row, subject: subject, climb: climb, links_out: @links_out[id])
      end

      def subject(id, row)
        chain = Core::Redirects::Chain.follow(id, @hops.method(:[]))
        listed = @sitemaps.fetch(id, [])
        url = row["url"]
        Core::Faults::Subject.new(
          url: url, kind: row["kind"], status: row["status"], error: row["error"], start: @starts.key?(url),
          depth: (row["purpose"] == PAGE) ? @depths[id] : nil, found_by: found_by(id, url, listed), in_sitemaps: listed,
          robots_allowed: row["robots_allowed"], robots_line: row["robots_line"], robots_rule: row["robots_rule"], robots_reachable: reachable?(url),
          redirect_to: row["redirect_to"] || row["refresh_to"], redirect_chain: chain.hops.map { |hop| text(hop) }, redirect_loop: chain.loop?,
          final_url: final_url(row, chain), final_status: final_status(row, chain),
          noindex: row["noindex"], noindex_where: row["noindex_where"], header_noindex_alone: row["header_noindex_alone"],
          canonical: row["canonical"], canonical_state: row["canonical_state"], title: row["titles"]&.first, title_chars: row["titles"]&.first&.length,
          words: row["words"], links_in: @links_in.dig(id, "links_in") || 0, followed_in: @links_in.dig(id, "followed_in") || 0,
          group: @wishes.group(url), intent: @wishes.of(url), wanted: @wishes.wanted?(url, listed: listed.any?)
        )
      end

      def evidence(id, row, subject)
        Core::Ladder::Evidence.new(
          depth: subject.depth, start: subject.start, embedded: embedded?(id, row), listed: subject.in_sitemaps.any?,
          robots_allowed: subject.robots_allowed, robots_line: subject.robots_line, robots_rule: subject.robots_rule,
          robots_reachable: subject.robots_reachable, fetched: !row["fetched_at"].nil?, status: subject.status, error: subject.error,
          redirect_to: row["redirect_to"], refresh_to: row["refresh_to"], noindex_where: subject.noindex_where, kind: subject.kind,
          canonical: subject.canonical, canonical_state: subject.canonical_state
        )
      end

      def found_by(id, url, listed)
        types = @types_in.fetch(id, [])
        ways = Store::CrawlFacts::FOUND_BY.select { |_, numbers| types.intersect?(numbers) }.keys
        ways.unshift("start") if @starts.key?(url)
        ways << "sitemap" if listed.any?
        ways
      end

      def embedded?(id, row)
        row["purpose"] != PAGE && @types_in.fetch(id, []).intersect?(Store::CrawlFacts::EMBEDDED)
      end

      def reachable?(url) = @robots_reachable.fetch(url[%r{\Ahttps?://[^/]+}], true)

      def text(id) = @rows.dig(id, "url") || @texts[id]

      def final_url(row, chain)
        return nil if row["fetched_at"].nil? || chain.loop?

        text(chain.final)
      end

      def final_status(row, chain)
        chain.loop? ? nil : @rows.dig(chain.final, "status")
      end

      def tell_medians(judged)
        judged.select { |one| one.subject.page? && one.subject.words }.group_by { |one| one.subject.group }.each_value do |pages|
          next if pages.size < Core::Settings::Thresholds.default.thin_group_pages

          median = median(pages.map { |one| one.subject.words })
          pages.each { |one| one.subject.group_median_words = median }
        end
      end

      def median(values)
        sorted = values.sort
        middle = sorted.size / 2
        sorted.size.odd? ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2.0
      end
    end
  end
end

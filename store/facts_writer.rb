# frozen_string_literal: true

module IronTrellis
  module Store
    # Stores what a slot of a crawl has fetched: facts, raw answers, blocks of text and links by COPY, new URLs, and the
    # closing of the leases, all in one transaction. What a dead worker held is fetched again; nothing is half done.
    class FactsWriter
      FACTS = %w[crawl_id url_id fetched_at robots_allowed robots_line robots_rule status error error_detail kind content_type
        charset bytes response_ms redirect_to_id redirect_to refresh_to_id refresh_to refresh_source noindex nofollow noindex_where
        header_noindex_alone directives canonical canonical_source canonical_state canonical_marks hreflang lang titles description
        h1 words images images_without_alt].freeze
      RAW = %w[crawl_id url_id header_lines body].freeze
      BLOCKS = %w[crawl_id url_id texts].freeze
      LINKS = %w[crawl_id source_id target_id position type place followed internal rel text].freeze
      TYPES = Core::Page::Link.types.each_with_index.to_h.freeze
      PLACES = Core::Page::Link.places.each_with_index.to_h.freeze
      # How many ids a writer remembers, so as not to work them out again.
      MEMORY = 100_000

      # @param crawl [Crawl]
      # @param slot [Integer]
      # @param scope [Core::Url::Scope]
      # @param discovery [IronTrellis::Crawl::Discovery]
      # @param now [#call] gives the time
      def initialize(crawl, slot:, scope:, discovery:, now:)
        @crawl = crawl
        @slot = slot
        @scope = scope
        @discovery = discovery
        @now = now
        @ids = {}
        @internal = {}
        @copies = {"page_facts" => FACTS, "raw_answers" => RAW, "page_blocks" => BLOCKS, "links" => LINKS}.to_h { |parent, columns| [parent, Copy.new(parent, columns)] }
      end

      # @param outcomes [Array<IronTrellis::Crawl::Outcome>]
      # @param token [Integer] of the lease
      # @return [void]
      # @raise [Frontier::LeaseLost]
      def write(outcomes, token)
        @urls = {}
        rows = rows(outcomes)
        found = found(outcomes)
        ActiveRecord::Base.transaction do
          Sql.raw.exec("SET LOCAL synchronous_commit TO off")
          @crawl.frontier.close(outcomes.map { |outcome| outcome.item.id }, token)
          copy(rows)
          Urls.add(@crawl.site_id, @urls, @now.call)
          @crawl.frontier.add(found)
          count(outcomes)
          @crawl.frontier.give_back(outcomes.count { |outcome| !outcome.fetched? })
        end
        @discovery.settle(found.filter_map { |_, url, purpose, _, state| url if purpose == :page && state == :waiting })
      end

      private

      def rows(outcomes)
        {
          "page_facts" => outcomes.map { |outcome| facts_row(outcome) },
          "raw_answers" => outcomes.select(&:fetched?).map { |outcome| raw_row(outcome) },
          "page_blocks" => outcomes.filter_map { |outcome| blocks_row(outcome) },
          "links" => outcomes.flat_map { |outcome| link_rows(outcome) }
        }
      end

      def copy(rows)
        rows.each { |parent, values| @copies.fetch(parent).call(Partitions.name(parent, @crawl.id), values) if values.any? }
      end

      def facts_row(outcome)
        answer, facts, decision = outcome.answer, outcome.facts, outcome.decision
        resolved = facts && Core::Directives::Resolved.new(facts.directives, @crawl.crawl_settings.agent)
        refresh = facts&.refresh if facts&.refresh&.instant?
        [
          @crawl.id, outcome.item.id, answer && @now.call, decision&.allowed, decision&.line, decision&.rule,
          answer&.status, answer&.error, answer&.error_detail, kind(outcome), facts&.content_type, facts&.charset,
          (answer && !answer.error) ? answer.body.to_s.bytesize : nil, answer&.response_ms,
          outcome.redirect_to && id(outcome.redirect_to), outcome.redirect_to, refresh && id(refresh.target), refresh&.target, refresh&.source,
          resolved&.noindex?, resolved&.nofollow?, resolved&.noindex&.where, resolved&.header_alone?,
          facts&.directives&.map { |one| {source: one.source, agent: one.agent, tokens: one.tokens, place: one.place, line: one.line} },
          facts&.canonical&.url, facts&.canonical&.source, facts&.canonical&.state, facts && marks(facts.canonical),
          facts&.hreflang, facts&.lang, facts&.titles, facts&.description, facts&.h1, facts&.words, facts&.images, facts&.images_without_alt
        ]
      end

      def marks(canonical) = {malformed: canonical.malformed, misplaced: canonical.misplaced, named: canonical.named.map(&:to_h)}

      # What was only asked about by HEAD, or not at all, is known by how it is embedded.
      def kind(outcome)
        return outcome.facts.kind if outcome.facts&.content_type

        outcome.item.head? ? "image" : nil
      end

      # Bodies and texts are compressed by PostgreSQL, whose LZ4 costs a tenth of what deflating them here would.
      def raw_row(outcome)
        body = outcome.answer.body.to_s
        [@crawl.id, outcome.item.id, outcome.answer.header_lines.join("\n"), body.empty? ? nil : body]
      end

      def blocks_row(outcome)
        text = outcome.facts&.text
        [@crawl.id, outcome.item.id, text] unless text.nil? || text.empty?
      end

      def link_rows(outcome)
        links = outcome.facts&.links || []
        links += [Core::Page::Link.new(outcome.redirect_to, "redirect", nil, nil, nil, true)] if outcome.redirect_to
        links.each_with_index.map do |link, position|
          target = link.target
          [@crawl.id, outcome.item.id, id(target), position, TYPES[link.type], PLACES[link.place], link.followed, @internal[target],
            link.rel, link.text]
        end
      end

      # URLs to offer to the frontier.
      def found(outcomes)
        outcomes.flat_map { |outcome| @discovery.call(outcome) }.group_by(&:url).map { |url, finds| best(url, finds) }
      end

      def best(url, finds)
        fetched = finds.select(&:fetch)
        chosen = (fetched.empty? ? finds : fetched).min_by { |find| [Frontier::PURPOSES.fetch(find.purpose), find.depth] }
        [id(url), url, chosen.purpose, chosen.depth, chosen.fetch ? :waiting : :known]
      end

      def id(url)
        known = @ids[url]
        return known if known

        [@ids, @internal].each(&:clear) if @ids.size > MEMORY
        @internal[url] = @scope.host?(url)
        new = Core::Url::NormalForm.id(@crawl.site_id, url)
        @urls[new] = url
        @ids[url] = new
      end

      def count(outcomes)
        fetched = outcomes.select(&:fetched?)
        by_class = fetched.group_by { |outcome| outcome.answer.status&./(100) }.transform_values(&:size)
        Sql.run(<<~SQL, [@crawl.id, @slot, fetched.size, by_class.fetch(2, 0), by_class.fetch(3, 0), by_class.fetch(4, 0), by_class.fetch(5, 0), by_class.fetch(nil, 0), outcomes.size - fetched.size, fetched.sum { |one| one.answer.body.to_s.bytesize }])
          INSERT INTO crawl_counters (crawl_id, slot, fetched, ok, redirected, refused, failed, unanswered, blocked, bytes)
          VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
          ON CONFLICT (crawl_id, slot) DO UPDATE SET
            fetched = crawl_counters.fetched + EXCLUDED.fetched, ok = crawl_counters.ok + EXCLUDED.ok,
            redirected = crawl_counters.redirected + EXCLUDED.redirected, refused = crawl_counters.refused + EXCLUDED.refused,
            failed = crawl_counters.failed + EXCLUDED.failed, unanswered = crawl_counters.unanswered + EXCLUDED.unanswered,
            blocked = crawl_counters.blocked + EXCLUDED.blocked, bytes = crawl_counters.bytes + EXCLUDED.bytes
        SQL
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Joins the facts of a crawl with its link graph, the groups and the intents, and judges each URL's climb, a
      # portion at a time: a site may be larger than memory.
      class SubjectsOfCrawl
        # Of what lies on other sites only this is told.
        OF_OTHER_SITES = %w[url_id fetched_at content_type bytes first_byte_ms response_ms reason].freeze
        NO_FACTS = Core::Ledger::Registry.of(:facts).to_h { |name| [name, nil] }.freeze

        PAGE = Store::Crawling::Frontier::PURPOSES[:page]
        EXTERNAL = Store::Crawling::Frontier::PURPOSES[:external]
        # What rules see as it was stored.
        AS_STORED =
          (Core::Page::Observations.seen_by_rules + Core::Page::Registry.names).to_h { |name| [name, name.to_s] }.freeze
        LINKS_OUT = %w[links_out_internal links_out_external frames_out].freeze
        # In place of a page group.
        OTHER_SITES = "other sites"

        # @param facts [Store::Pages::FactsTables] prepared
        # @param crawl [Store::Crawling::Crawl]
        # @param context [JudgingContext]
        def initialize(facts, crawl, context)
          @facts = facts
          @context = context
          @limits = context.limits
          @chosen = context.canonicals
          @intent_rules = context.intent_rules
          @without_evidence = context.basis.values_without_evidence
          @whole = crawl.whole?
          @agent = crawl.crawl_settings.agent
          @scope = crawl.crawl_settings.scope
          @how_found = HowFound.new(crawl.crawl_settings.first_urls)
        end

        # @yieldparam judged [Array<JudgedUrl>]
        # @return [void]
        def each_portion
          @lead = WhereUrlsLead.new(@facts)
          @robots_failures = @facts.robots_failures
          @canonicals = @facts.canonicals
          @has_sitemaps = @facts.sitemaps?
          @importance_guessed = !@has_sitemaps && @intent_rules.none?
          @soft_missing = Crawling::MissingPages.new(@facts).call
          @slow = Crawling::SlowAnswers.new(@facts.asked_again, @limits.least(:slow_ms))
          @facts.urls { |rows| yield rows.map { |row| judge(row) } }
          unknown = OnlyEvidence.new(@facts, @context, @agent)
          @facts.only_evidence { |rows| yield rows.map { |row| unknown.judge(row) } }
        end

        private

        def judge(row)
          return elsewhere(row) if row["purpose"] == EXTERNAL

          subject = subject(row)
          score = importance(row, subject)
          subject.importance = score&.value
          climb = Core::Ladder::Climb.new(evidence(row, subject))
          subject.stop = climb.stop
          subject.indexable = climb.indexable?
          settle(subject)
          JudgedUrl.new(
            id: row["url_id"],
            facts: row,
            subject: subject,
            ladder_result: climb,
            score: score,
            evidence: row["evidence_of"] ? row : @without_evidence
          )
        end

        # What stands behind another by choice, and what was sent elsewhere as decided, is no page that is wanted.
        def settle(subject)
          subject.fulfilled = Core::Decisions::Fulfilment.of(subject, @context.routes)
          subject.wanted = false if subject.fulfilled || ![nil, subject.url].include?(subject.chosen_canonical)
        end

        # What is linked to on another site: how it answers, and who links to it.
        def elsewhere(row)
          chain = @lead.chain(row)
          subject =
            Core::Faults::Subject.new(
              url: row["url"],
              kind: Core::Page::Kind::EXTERNAL,
              status: row["status"],
              error: row["error"],
              found_by: @how_found.found_by(row, []),
              in_sitemaps: [],
              robots_allowed: row["robots_allowed"],
              robots_line: row["robots_line"],
              redirect_to: row["redirect_to"],
              redirect_chain: @lead.addresses(chain),
              **@lead.ending(row, chain),
              links_in: row["links_in"] || 0,
              group: OTHER_SITES,
              intent: "undecided",
              wanted: false,
              indexable: false,
              soft_missing: false
            )
          facts = NO_FACTS.merge(row.slice(*OF_OTHER_SITES))
          nothing = Core::Evidence::Basis.none.values_without_evidence
          climb = Core::Ladder::Climb.new(nil)
          JudgedUrl.new(id: row["url_id"], facts: facts, subject: subject, ladder_result: climb, evidence: nothing)
        end

        # @return [Float, nil] 1 or 0; nil where the site has no sitemap
        def listed(subject)
          return unless @has_sitemaps

          subject.in_sitemaps.any? ? 1.0 : 0.0
        end

        # Whatever may be a page of the site has one, also where it is blocked, missing, moved or failing.
        def importance(row, subject)
          return unless row["purpose"] == PAGE && subject.document?

          Core::Importance::Score.of(
            {
              "authority" => row["authority_rank"],
              "clicks" => row["clicks_rank"],
              "impressions" => row["impressions_rank"],
              "nearness" => row["nearness_rank"],
              "sitemap" => listed(subject),
              "links" => row["outside_rank"]
            },
            key_page: @intent_rules.key_page?(subject.url),
            weights: @context.weights
          )
        end

        def subject(row)
          id, url = row.values_at("url_id", "url")
          chain = @lead.chain(row)
          canonical = Core::Redirects::Chain.follow(url, @canonicals.method(:[]))
          listed = row["in_sitemaps"] || []
          rule = @intent_rules.rule_for(url)
          Core::Faults::Subject.new(
            url: url,
            kind: @how_found.kind(row),
            start: @how_found.start?(url),
            whole: @whole,
            depth: (row["purpose"] == PAGE) ? row["depth"] : nil,
            found_by: @how_found.found_by(row, listed),
            in_sitemaps: listed,
            robots_reachable: robots_failure(url).nil?,
            robots_failure: robots_failure(url),
            redirect_to: row["redirect_to"] || row["refresh_to"],
            redirect_chain: @lead.addresses(chain),
            redirect_loop: chain.loop?,
            **@lead.ending(row, chain),
            title: row["titles"]&.first,
            title_chars: row["titles"]&.first&.length,
            links_in: row["links_in"] || 0,
            followed_in: row["followed_in"] || 0,
            soft_missing: @soft_missing.key?(id),
            group: @intent_rules.group(url),
            template: (@context.skeletons.of(row["skeleton"]) if row["status"] == 200),
            intent: rule&.intent || "undecided",
            wanted: @intent_rules.wanted?(url, listed: listed.any?, intent: rule&.intent || "undecided"),
            description_chars: row["description"]&.length,
            bytes: row["bytes"],
            links_out: row["words"] && row.values_at(*LINKS_OUT).sum(&:to_i),
            importance_guessed: @importance_guessed,
            directives: ReadFacts.directives(row, @agent),
            canonicals: ReadFacts.canonicals(row, url),
            canonical_chain: canonical.hops,
            canonical_loop: canonical.loop?,
            canonical_off_site: !row["canonical"].nil? && !@scope.host?(row["canonical"]),
            redirect_off_site: @lead.addresses(chain).any? { |url| !@scope.host?(url) },
            has_sitemaps: @has_sitemaps,
            authority: row["authority"],
            hreflang: (row["hreflang"] || []) + (row["alternates"] || []).flatten,
            response_ms: @slow.judged(row),
            intent_of: rule&.of,
            intent_subject: rule&.subject,
            follow: rule&.follow,
            chosen_canonical: @chosen.for(url),
            **AS_STORED.transform_values { |column| row[column] }
          )
        end

        def evidence(row, subject)
          Core::Ladder::Evidence.of(
            subject,
            embedded: @how_found.embedded?(row),
            fetched: !row["fetched_at"].nil?,
            redirect_to: row["redirect_to"],
            refresh_to: row["refresh_to"],
            word_floor: @limits.for(subject.group).word_floor,
            **standing(row)
          )
        end

        # What is embedded is shown in other indexes than that of pages.
        def standing(row)
          return {} unless row["purpose"] == PAGE

          evidence = row["evidence_of"] ? row : @without_evidence
          {standing: evidence["standing"], standing_reason: evidence["standing_reason"]}
        end

        def robots_failure(url) = @robots_failures[url[%r{\Ahttps?://[^/]+}]]
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # What came of faults that fixes have: whether the newest verdicts tell them still, and where they don't, why.
      # Only what the site answers proves anything: a crawl that didn't read a page again says nothing of it, and what
      # went since somebody wants something else of the pages, or judges them otherwise, was never mended.
      class GoneFaults
        # The newest verdicts tell it.
        THERE = :there
        # The newest crawl didn't look.
        UNREAD = :unread
        # The site answers otherwise.
        MENDED = :mended
        # An index says otherwise.
        EVIDENCE = :evidence
        # It is judged otherwise: by other intents, groups, limits, rules, or since a decision was taken back.
        LAPSED = :lapsed

        WEB = %r{\Ahttps?://}i
        # Files and hosts, of which a crawl of the whole site reads all there are.
        OF_FILES = /\A(?:robots-|sitemap-|host-|insecure)/
        Checks = Core::Proofs::Checks

        # @param site [Store::Sites::Site]
        # @param run [Store::Judging::VerdictRun] the newest verdicts
        # @param entries [Array<Core::Workplan::Entry>] what they and the decisions give to be mended
        # @param faults [Array<Hash>] all that will be asked for
        # @param now [Time]
        def initialize(site, run, entries, faults, now:)
          @site, @run, @crawl, @now = site, run, run.crawl, now
          @faults = faults
          @there = entries.to_h { |entry| [entry.key, true] }
          @work = entries.to_h { |entry| [[entry.url, entry.kind], true] }
        end

        # Judges the crawl before as this one is, where it must be known what that would tell. Not within a transaction.
        #
        # @return [GoneFaults] itself
        def ready = tap { @before = before if new_crawl? && !same_rules? }

        # @return [Boolean] whether they are of a newer crawl than the site's fixes
        def new_crawl? = !@site.fixes_of_crawl.nil? && @site.fixes_of_crawl != @run.crawl_id

        # @return [Boolean] whether they were judged as those were of which the site's fixes are
        def same_rules? = @site.fixes_of_rules.nil? || @site.fixes_of_rules == @run.rules_digest

        # @param fault [Hash{String => String, nil}] code, url and about
        # @return [Symbol]
        def of(fault)
          return THERE if @there.key?(key(fault))
          return of_decision(fault) unless rule(fault)
          return same_rules? ? EVIDENCE : LAPSED unless new_crawl?
          return UNREAD unless looked_at?(fault)
          return MENDED if same_rules? ? !evidence?(fault) : known_before?(fault)

          same_rules? ? EVIDENCE : LAPSED
        end

        private

        def rule(fault) = Core::Faults::Registry.find(fault["code"])

        def key(fault) = Core::Faults::Key.in(@site.id, fault)

        def evidence?(fault) = rule(fault) < Core::Faults::EvidenceRule || rule(fault) < Core::Faults::GroupRule

        # What was decided and is no entry any more is done, unless it was decided otherwise, or a fault says the same.
        def of_decision(fault)
          return LAPSED unless decided?(fault)
          return THERE if @work.key?([fault["url"], Core::Workplan::Kinds.of(fault["code"])])

          (new_crawl? && looked_at?(fault)) ? MENDED : UNREAD
        end

        def decided?(fault)
          url, about = fault.values_at("url", "about")
          case fault["code"]
          when "decided-intent" then @site.intent_rules.rule_for(url)&.intent.to_s != "undecided"
          when "decided-canonical" then !@site.chosen_canonicals.for(url).nil?
          when "accepted-route" then @site.decided_routes.answer(url)&.target == about
          when "accepted-link" then links.include?([url, about])
          when "improve", "merge" then reviews[url] == ((fault["code"] == "merge") ? "merge_into" : "improve")
          else true
          end
        end

        def links
          @links ||= @site.decisions.values("link").flat_map do |source, value|
            (value["links"] || []).map { |link| [source, link["target"]] }
          end
        end

        def reviews = @reviews ||= @site.decisions.values("review").transform_values { |value| value["fate"] }

        # Of links, depth and what others say only a crawl tells that read all; of a page one that read that page, and
        # where it ended early what the fault is about as well.
        def looked_at?(fault)
          code, url, about = fault.values_at("code", "url", "about")
          return !@crawl.cut_short? if url.nil? || OF_FILES.match?(code)
          return false unless read.key?(url)
          return true unless @crawl.cut_short?

          !of_many?(fault) && (about.nil? || !WEB.match?(about) || read.key?(about))
        end

        def of_many?(fault)
          rule = rule(fault) or return false
          rule < Core::Faults::SetRule || rule < Core::Faults::VariantRule ||
            Checks.for(Core::Proofs::Condition.new(code: fault["code"])) == Checks::ByCrawl
        end

        def read
          @read ||= Store::Ledger::Lookup.new(@run).read(
            @faults.flat_map { |fault| fault.values_at("url", "about") }.compact.grep(WEB).uniq
          )
        end

        # Whether the crawl before would tell it too, judged as this one is: then the site changed, not the judge.
        def known_before?(fault) = @before.key?(key(fault))

        def before
          run = rejudged or return {}
          Store::Workplan::FaultsOfPages.keys(run, @faults.filter_map { |fault| fault["url"] }.uniq)
        end

        def rejudged
          crawl = Store::Crawling::Crawl.find_by(id: @site.fixes_of_crawl) or return
          run = crawl.verdict_run
          return run if run&.rules_digest == @run.rules_digest

          Judging::Judgement.alone(crawl, clock: -> { @now })
        end
      end
    end
  end
end

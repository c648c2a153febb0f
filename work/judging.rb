# frozen_string_literal: true

require "digest"

module IronTrellis
  module Work
    # Works out the verdicts of one crawl from its facts: link counts and depth, groups and intents, the ladder, faults.
    # Facts are left as they are, so this may be done again whenever groups, intents, thresholds or rules change.
    class Judging
      # @param crawl [Store::Crawl]
      # @param clock [#call] gives the time
      def initialize(crawl, clock:)
        @crawl = crawl
        @clock = clock
        @site = crawl.site
        @settings = crawl.crawl_settings
        @thresholds = Core::Settings::Thresholds.default
        @facts = Store::CrawlFacts.new(crawl)
      end

      # @return [Store::VerdictRun] the finished run
      def call
        Store::Partitions.index(Store::Partitions::BY_CRAWL - ["frontier"], @crawl.id)
        run = Store::VerdictRun.begin(@crawl, rules_digest: rules_digest, now: @clock.call)
        pages = SubjectsOfCrawl.new(@facts, settings: @settings, wishes: @site.wishes).call
        faults = FaultsOfCrawl.new(@facts, pages, @thresholds).call
        store(run, pages, faults)
        run
      end

      private

      def rules_digest
        wishes = [@site.intents.pluck(:pattern, :intent), @site.key_pages.pluck(:url), @site.page_groups.pluck(:name, :pattern, :intent)]
        Digest::SHA256.hexdigest([VERSION, Core::Faults::Registry.all.map(&:code), @thresholds.to_a, wishes].inspect)[0, 16]
      end

      def store(run, pages, faults)
        by_url = faults.group_by(&:url)
        ids = pages.to_h { |page| [page.subject.url, page.id] }
        ActiveRecord::Base.transaction do
          writer = Store::VerdictWriter.new(run)
          writer.ledger(pages.map { |page| page.row(by_url.fetch(page.subject.url, []).map(&:code).uniq.sort) })
          writer.faults(faults.map { |fault| [fault, ids.fetch(fault.url), identity(fault)] })
          writer.finish(@clock.call)
        end
      end

      def identity(fault)
        rule = Core::Faults::Registry.fetch(fault.code)
        fault.identity(@site.id, rule.stable_about(fault.about))
      end
    end
  end
end

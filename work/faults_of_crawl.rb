# frozen_string_literal: true

module IronTrellis
  module Work
    # Runs every rule over a crawl: page rules on each URL, link rules on the links to suspect targets, set rules on pages
    # that share a value.
    class FaultsOfCrawl
      SUSPECT = {
        missing: ->(subject) { subject.missing? },
        redirecting: ->(subject) { !subject.redirect_to.nil? }
      }.freeze
      PLACES = Core::Page::Link.places

      # @param facts [Store::CrawlFacts]
      # @param judged [Array<JudgedUrl>]
      # @param thresholds [Core::Settings::Thresholds]
      def initialize(facts, judged, thresholds)
        @facts = facts
        @judged = judged
        @thresholds = thresholds
        @by_id = judged.to_h { |one| [one.id, one.subject] }
      end

      # @return [Array<Core::Faults::Fault>] sorted by code, URL and what they are about
      def call
        faults = page_faults + link_faults + set_faults
        faults.reject { |fault| kept_out?(fault) }.sort_by { |fault| [fault.code, fault.url, fault.about.to_s] }
      end

      private

      def page_faults
        rules = Core::Faults::PageRule.all.map { |rule| rule.new(@thresholds) }
        @judged.flat_map { |one| rules.flat_map { |rule| rule.call(one.subject) } }
      end

      def link_faults
        Core::Faults::LinkRule.all.flat_map do |rule|
          ids = @judged.select { |one| SUSPECT.fetch(rule.targets).call(one.subject) }.map(&:id)
          judge_links(rule.new(@thresholds), @facts.links_to(ids, rule.links))
        end
      end

      def judge_links(rule, pairs)
        pairs.filter_map do |pair|
          source, target = @by_id.values_at(pair["source_id"], pair["target_id"])
          links = pair["links"].map { |link| {text: link["text"], place: link["place"] && PLACES[link["place"]]} }
          rule.check(source, target, links)
        end
      end

      def set_faults
        pages = @judged.map(&:subject).select(&:page?).sort_by(&:url)
        Core::Faults::SetRule.all.flat_map do |rule|
          sets = pages.group_by { |page| page[rule.value] }.reject { |value, members| value.to_s.empty? || members.size < 2 }
          sets.flat_map { |value, members| rule.new(@thresholds).check(value, members) }
        end
      end

      def kept_out?(fault)
        @intents ||= @by_id.each_value.to_h { |subject| [subject.url, subject.intent] }
        @intents[fault.url] == "keep_out" && !Core::Faults::Registry.fetch(fault.code).lets_climb?
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    # Runs every rule over a crawl: page rules on each URL, link rules on the links to suspect targets, set rules on pages
    # that share a value.
    class FaultsOfCrawl
      PLACES = Core::Page::Link.places

      # @param site_id [Integer]
      # @param thresholds [Core::Settings::Thresholds]
      # @param writer [Store::VerdictWriter]
      def initialize(site_id, thresholds, writer)
        @site_id = site_id
        @thresholds = thresholds
        @writer = writer
        with_group, alone = Core::Faults::PageRule.all.partition(&:needs_group?)
        @page_rules = made(alone)
        @group_rules = made(with_group)
      end

      # Runs the page rules that need nothing else.
      #
      # @param judged [Array<JudgedUrl>]
      # @return [void]
      def pages(judged)
        keep(judged.flat_map { |one| told(one.id, one.subject, @page_rules.flat_map { |rule| rule.call(one.subject) }) })
      end

      # Runs all other rules, when the rows are staged.
      #
      # @param rows [Store::StagedRows]
      # @return [void]
      def rest(rows)
        rows.with_medians(@thresholds.thin_group_pages) { |some| keep(some.flat_map { |row| about_page(row) }) }
        made(Core::Faults::LinkRule.all).each { |rule| rows.links_to(rule.class.targets, rule.class.links) { |some| keep(some.flat_map { |row| about_links(rule, row) }) } }
        made(Core::Faults::SetRule.all).each { |rule| rows.sharing(rule.class.value) { |some| keep(some.flat_map { |row| about_set(rule, row) }) } }
      end

      private

      def made(rules) = rules.map { |rule| rule.new(@thresholds) }

      def about_page(row)
        page = Core::Faults::Subject.of(row)
        told(row["url_id"], page, @group_rules.flat_map { |rule| rule.call(page) })
      end

      def about_links(rule, row)
        source = Core::Faults::Subject.of(row)
        links = row["links"].map { |link| {text: link["text"], place: link["place"] && PLACES[link["place"]]} }
        told(row["url_id"], source, [rule.check(source, Core::Faults::Subject.of(row["target"]), links)].compact)
      end

      def about_set(rule, row)
        page = Core::Faults::Subject.of(row)
        shared = Core::Faults::SetRule::Shared.new(value: row["shared_value"], pages: row["shared_pages"], first: row["shared_first"], second: row["shared_second"])
        told(row["url_id"], page, [rule.check(page, shared)].compact)
      end

      # A fault on a URL that is to be kept out counts only where it lets the URL climb.
      #
      # @return [Array<Array(Core::Faults::Fault, Integer, Integer)>] each with its URL's id and its identity
      def told(url_id, subject, faults)
        faults.filter_map do |fault|
          rule = Core::Faults::Registry.fetch(fault.code)
          [fault, url_id, fault.identity(@site_id, rule.stable_about(fault.about))] unless subject.intent == "keep_out" && !rule.lets_climb?
        end
      end

      def keep(faults) = faults.any? && @writer.faults(faults)
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    # Runs every rule over a crawl: page rules on each URL, link rules on the links to suspect targets, set rules on pages
    # that share a value, site rules once.
    class FaultsOfCrawl
      PLACES = Core::Page::Link.places

      # @param site_id [Integer]
      # @param thresholds [Core::Settings::Thresholds]
      # @param writer [Store::VerdictWriter]
      def initialize(site_id, thresholds, writer)
        @site_id = site_id
        @thresholds = thresholds
        @writer = writer
        late, early = Core::Faults::PageRule.all.partition(&:needs_all?)
        @page_rules = made(early)
        @late_rules = made(late)
      end

      # Runs the page rules that need no other page.
      #
      # @param judged [Array<JudgedUrl>]
      # @return [void]
      def pages(judged)
        keep(judged.flat_map { |one| told(one.id, one.subject, @page_rules.flat_map { |rule| rule.call(one.subject) }) })
      end

      # Runs all other rules, when the rows are staged and the copies known.
      #
      # @param rows [Store::StagedRows]
      # @param links [Store::SuspectLinks]
      # @param site [Core::Faults::SiteEvidence]
      # @return [void]
      def rest(rows, links, site)
        rows.pages(@thresholds.thin_group_pages) { |some| keep(some.flat_map { |row| about_page(row) }) }
        made(Core::Faults::LinkRule.all).each { |rule| links.each(rule.class.targets, rule.class.links) { |some| keep(some.flat_map { |row| about_links(rule, row) }) } }
        made(Core::Faults::SetRule.all).each { |rule| rows.sharing(rule.class.value) { |some| keep(some.flat_map { |row| about_set(rule, row) }) } }
        keep(made(Core::Faults::SiteRule.all).flat_map { |rule| about_site(rule, site) })
      end

      private

      def made(rules) = rules.map { |rule| rule.new(@thresholds) }

      def about_page(row)
        page = Core::Faults::Subject.of(row)
        told(row["url_id"], page, @late_rules.flat_map { |rule| rule.call(page) })
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

      # The files of a site are no rows of the ledger, but their ids are made like those of all URLs.
      def about_site(rule, site)
        rule.check(site).map { |fault| [fault, Core::Url::NormalForm.id(@site_id, fault.url), identity(fault, rule.class)] }
      end

      # A fault on a URL that is to be kept out counts only where it lets the URL climb.
      #
      # @return [Array<Array(Core::Faults::Fault, Integer, Integer)>] each with its URL's id and its identity
      def told(url_id, subject, faults)
        faults.filter_map do |fault|
          rule = Core::Faults::Registry.fetch(fault.code)
          [fault, url_id, identity(fault, rule)] unless subject.intent == "keep_out" && !rule.lets_climb?
        end
      end

      def identity(fault, rule) = fault.identity(@site_id, rule.stable_about(fault))

      def keep(faults) = faults.any? && @writer.faults(faults)
    end
  end
end

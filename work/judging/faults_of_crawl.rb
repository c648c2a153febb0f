# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Runs every rule over a crawl: page rules on each URL, link rules on the links to suspect targets, set rules on
      # pages that share a value, site rules once.
      class FaultsOfCrawl
        PLACES = Core::Page::Link.places

        # @param site_id [Integer]
        # @param limits [Core::Settings::Limits]
        # @param writer [Store::Judging::VerdictWriter]
        def initialize(site_id, limits, writer)
          @site_id = site_id
          @limits = limits
          @writer = writer
          @late, @early = Core::Faults::PageRule.all.partition(&:needs_all?)
          @made =
            Hash
              .new do |made, thresholds|
                made[thresholds] = Hash.new { |rules, rule| rules[rule] = rule.new(thresholds) }
              end
              .compare_by_identity
        end

        # Runs the page rules that need no other page.
        #
        # @param judged [Array<JudgedUrl>]
        # @return [void]
        def pages(judged)
          keep(
            judged
              .reject do |one|
                one.subject.kind == Core::Page::Kind::EXTERNAL || one.subject.found_by == OnlyEvidence::FOUND_BY
              end
              .flat_map { |one| with_keys(one.id, one.subject, call(@early, one.subject)) }
          )
        end

        # Runs the rules that look at links or at the site, when the rows are staged.
        #
        # @param links [Store::Judging::SuspectLinks]
        # @param site [Core::Faults::SiteEvidence]
        # @return [void]
        def across_pages(links, site)
          Core::Faults::LinkRule.all.each do |rule|
            links.each(rule.targets, rule.links, once: rule.once?) do |some|
              keep(some.flat_map { |row| about_links(rule, row) })
            end
          end
          keep(Core::Faults::SiteRule.all.flat_map { |rule| about_site(rule, site) })
        end

        # Runs the rules on pages that share a value, and the page rules that ask for other pages, when the copies are
        # known.
        #
        # @param rows [Store::Judging::StagedRows]
        # @return [void]
        def among_pages(rows)
          Core::Faults::SetRule.all.each do |rule|
            rows.sharing(rule.value) { |some| keep(some.flat_map { |row| about_set(rule, row) }) }
          end
          rows.pages { |some| keep(some.flat_map { |row| about_page(row) }) }
        end

        # Runs the rules on what indexes say.
        #
        # @param found [FaultsByEvidence]
        # @param rows [Store::Evidence::EvidentRows]
        # @param basis [Core::Evidence::Basis]
        # @return [void]
        def evidence(found, rows, basis)
          return unless basis.any?

          found.pages(rows) do |pages|
            keep(
              pages.flat_map do |url_id, page|
                faults = Core::Faults::EvidenceRule.all.flat_map { |rule| judge(rule, page.group).call(page, basis) }
                with_keys(url_id, page, faults)
              end
            )
          end
          groups = found.groups(rows)
          keep(
            Core::Faults::GroupRule.all.flat_map do |rule|
              groups.filter_map { |group| about_group(rule, group, basis) }
            end
          )
        end

        private

        # What is of no URL is known again by its group.
        def about_group(rule, group, basis)
          fault = judge(rule, group.name).check(group, basis) or return
          [fault, Core::Url::NormalForm.id(@site_id, group.name), fault.key(@site_id)]
        end

        # @return [Core::Faults::Rule] as it judges pages of that group
        def judge(rule, group) = @made[@limits.for(group)][rule]

        def call(rules, page)
          made = @made[@limits.for(page.group)]
          rules.flat_map { |rule| made[rule].call(page) }
        end

        def about_page(row)
          page = Core::Faults::Subject.of(row)
          with_keys(row["url_id"], page, call(@late, page))
        end

        def about_links(rule, row)
          source = Core::Faults::Subject.of(row)
          with_keys(
            row["url_id"],
            source,
            [
              judge(rule, source.group).check(
                source,
                Core::Faults::Subject.of(row["target"]),
                row["links"].map { |link| link(link) },
                **of_page(rule, row)
              )
            ].compact
          )
        end

        def link(row) =
          {text: row["text"], place: row["place"] && PLACES[row["place"]], **(row["px"] ? {px: row["px"]} : {})}

        # What is told once a page is told with the number of its targets.
        def of_page(rule, row) = rule.once? ? {targets: row["targets"]} : {}

        def about_set(rule, row)
          page = Core::Faults::Subject.of(row)
          shared =
            Core::Faults::SetRule::Shared.new(
              value: row["shared_value"],
              pages: row["shared_pages"],
              first: row["shared_first"],
              second: row["shared_second"]
            )
          with_keys(row["url_id"], page, [judge(rule, page.group).check(page, shared)].compact)
        end

        # The files of a site are no rows of the ledger, but their ids are made like those of all URLs.
        def about_site(rule, site)
          judge(rule, nil)
            .check(site)
            .map { |fault| [fault, Core::Url::NormalForm.id(@site_id, fault.url), fault.key(@site_id)] }
        end

        # A fault on a URL that is to be kept out counts only where it lets the URL climb. What reads like a missing
        # page is to go, whatever else is wrong with it.
        #
        # @return [Array<Array(Core::Faults::Fault, Integer, Integer)>] each with its URL's id and its key
        def with_keys(url_id, subject, faults)
          faults.filter_map do |fault|
            next if subject.soft_missing && fault.code != Core::Faults::Rules::SoftMissing::CODE

            rule = Core::Faults::Registry.fetch(fault.code)
            [fault, url_id, fault.key(@site_id)] unless subject.intent == "keep_out" && !rule.lets_climb?
          end
        end

        def keep(faults) = faults.any? && @writer.faults(faults)
      end
    end
  end
end

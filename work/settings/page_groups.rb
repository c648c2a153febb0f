# frozen_string_literal: true

module IronTrellis
  module Work
    module Settings
      # The page groups of a site as a list in order: what there is, what how its pages are built proposes, and taking a
      # list as a whole.
      class PageGroups
        OTHERS = Core::Groups::Proposals::OTHERS
        ALL = Core::Groups::AddressPatterns::ALL
        UNDECIDED = "undecided"

        # @param site [Store::Sites::Site]
        # @raise [Core::Error::Conflict] where nothing was crawled
        def initialize(site)
          @site = site
          @run = site.newest_verdicts
        end

        # @return [Array<Hash{String => Object}>] name, patterns, template, kind, intent, pages and example of each;
        #   what none takes is by its first folder
        def list
          found = Store::Settings::GroupedPages.new(@run).call
          kinds = evidence.kinds
          own = @site.page_groups.reload.to_a
          rows = own.map { |group| row(group.name, group.pattern.split("\n"), template(group), found, kinds) }
          rest = (found.keys - own.map(&:name)).sort_by { |name| [-found[name].size, name] }
          rows + rest.map { |name| row(name, [], nil, found, kinds) }
        end

        # @return [Array<Hash{String => Object}>] the same of what is proposed, with sure, why and except
        def propose
          found = preview.proposals
          names = found.flat_map { |one| one.urls.map { |url| [url, one.name] } }.to_h
          intents = evidence.proposals_of(names).to_h { |one| [one.group, one] }
          found.map { |one| proposal(one, intents[one.name]) }
        end

        # @return [Array<Hash{String => Object}>] the same as the settings of a site have it (Judging.keep), with pages;
        #   an intent only where it is sure
        def offers =
          propose.map do |one|
            told = taken(one["sure"] ? one : one.except("intent"))
            {"template" => nil, "intent" => nil, **told, **one.slice("pages")}
          end

        # @param groups [Array<Hash{String => Object}>] name, patterns, and where given template and intent
        # @param by [String]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::InvalidInput] and nothing is changed
        def replace(groups, by:, now:)
          taken = groups.map { |one| taken(one) }
          all = taken.any? { |one| one["pattern"] == ALL && !one["template"] }
          taken << {"name" => OTHERS, "pattern" => ALL} unless all
          settings = Store::Settings::JudgingSettings.new(@site).to_h
          Judging.keep(@site, groups: taken, **settings.slice(:thresholds, :weights), by: by, now: now)
        end

        private

        def evidence = @evidence ||= Store::Intents::GroupEvidence.new(@run, @site)

        def preview = Store::Settings::GroupPreview.new(@run, @site.crawl_settings.main_host)

        def template(group) = group.template && @run.template_like(group.template)

        def row(name, patterns, template, found, kinds)
          urls = found.fetch(name, [])
          {
            "name" => name,
            "patterns" => patterns,
            "template" => template,
            "kind" => kind(urls, kinds),
            "intent" => @site.decisions.values("group").dig(name, "intent") || UNDECIDED,
            "pages" => urls.size,
            "example" => urls.first
          }
        end

        def kind(urls, kinds)
          kind, count = urls.filter_map { |url| kinds[url] }.tally.max_by { |_, size| size }
          kind if kind && count >= urls.size * Core::Groups::Proposals::KIND_SHARE
        end

        def proposal(one, intent)
          {
            **one.to_h.except(:urls).transform_keys(&:to_s),
            "intent" => intent&.intent || UNDECIDED,
            "sure" => intent&.sure || false,
            "why" => intent&.reasons || [],
            "except" => intent&.except || []
          }
        end

        # A template is told by its id in lists, and kept by what makes it out, so that later crawls know it again.
        def taken(one)
          intent = one["intent"] unless one["intent"] == UNDECIDED
          {
            "name" => one["name"],
            "pattern" => Array(one["patterns"]).join("\n"),
            "template" => core(one["template"]),
            "intent" => intent
          }.compact
        end

        def core(id)
          return if id.nil?

          @run.templates.find { |one| one["id"] == id }&.fetch("core") ||
            raise(Core::Error::InvalidInput.new("There is no template “#{id}” in the newest crawl of #{@site.name}."))
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Sites
      # What one audit is about.
      class Site < Postgres::Record
        self.table_name = "sites"
        removable

        has_many :crawls, -> { order(number: :desc) }, class_name: "IronTrellis::Store::Crawling::Crawl"
        has_many :page_groups, -> { order(:position) }, class_name: "IronTrellis::Store::Settings::PageGroup"
        has_many :key_pages, -> { order(:id) }, class_name: "IronTrellis::Store::Settings::KeyPage"
        has_one :timetable, class_name: "IronTrellis::Store::Crawling::Timetable"

        # @param name [String]
        # @param settings [Core::Settings::Crawl]
        # @return [Site]
        # @raise [Core::Error::InvalidInput, Core::Error::Conflict]
        def self.register(name:, settings:) = new(settings: settings.to_h).rename(name)

        # @param name [String]
        # @return [Site] itself, saved
        # @raise [Core::Error::InvalidInput, Core::Error::Conflict]
        def rename(name)
          if name.to_s.strip.empty?
            raise Core::Error::InvalidInput.new(
              "Give the site a name.",
              problems: [{field: "name", message: "Give the site a name."}]
            )
          end

          self.name = name.strip
          transaction(requires_new: true) { save! }
          self
        rescue ActiveRecord::RecordNotUnique
          raise Core::Error::Conflict.new("There is a site called “#{name}” already. Choose another name.")
        end

        # @return [Core::Settings::Crawl]
        def crawl_settings = Core::Settings::Crawl.new(settings)

        # @return [Decisions::Log]
        def decisions = Decisions::Log.new(self)

        # @return [Core::Settings::Evidence]
        def evidence_reading = Core::Settings::Evidence.new(evidence_settings)

        # @param urls [Array<String>] in normal form, the key pages as a whole
        # @return [void]
        def replace_key_pages(urls)
          Settings::KeyPage.where(site_id: id).delete_all
          urls.each { |url| key_pages.create!(url: url) }
        end

        # @param built [Hash{String => String}, nil] see #grouping
        # @return [Core::Groups::Intents] groups, intents and key pages as they are now
        def intent_rules(built: nil)
          Core::Groups::Intents.new(
            grouping: grouping(built: built),
            key_pages: key_pages.reload.map(&:url),
            rules: decisions.values("intent"),
            groups: decisions.values("group")
          )
        end

        # Gives away the next number of a fix. Belongs into the transaction that stores the fix.
        #
        # @return [Integer]
        def take_fix_number
          lock!
          update!(last_fix_number: last_fix_number + 1)
          last_fix_number
        end

        # @return [Core::Canonicals::Choices]
        def chosen_canonicals = Core::Canonicals::Choices.new(decisions.values("canonical"))

        # @return [Core::Redirects::Table] the redirects that were decided
        def decided_routes
          routes = decisions.values("route").reject { |_, value| value["refused"] }
          Core::Redirects::Table.new(
            routes.map do |from, value|
              Core::Redirects::Route.new(
                from: from,
                to: value["to"],
                status: value["status"],
                kind: value["kind"],
                query: value["query"]
              )
            end
          )
        end

        # @return [Hash] how its sitemaps shall be built: see Core::Decisions::Kinds::Sitemaps::PLAN
        def sitemap_plan = Core::Decisions::Kinds::Sitemaps::PLAN.merge(decisions.values("sitemaps").values.first || {})

        # @return [Core::Settings::Limits] what its pages are judged by
        def limits =
          Core::Settings::Limits.new(thresholds, page_groups.reload.to_h { |group| [group.name, group.thresholds] })

        # @return [Hash{String => Float}] how much each part of the importance counts
        def importance_weights = Core::Importance::Weights.of(weights)

        # @param built [Hash{String => String}, nil] by URL, as which template of a group it is built; nil for what the
        #   newest verdicts say
        # @return [Core::Groups::Grouping]
        def grouping(built: nil)
          groups =
            page_groups.reload.map do |group|
              Core::Groups::Grouping::Group.of(group.name, group.pattern, group.template)
            end
          cores = groups.filter_map(&:template)
          Core::Groups::Grouping.new(
            groups: groups,
            main_host: crawl_settings.main_host,
            built: built || Pages::PageTemplates.built((newest_crawl&.verdict_run if cores.any?), cores)
          )
        end

        # @return [Crawling::Crawl, nil] the newest crawl whose verdicts are there: of the whole site, if there is one,
        #   and one that was answered
        def newest_crawl
          finished = crawls.where(state: Crawling::Crawl::FINISHED)
          finished.find_by(scope: Crawling::Crawl::WHOLE, unanswered: false) ||
            finished.find_by(scope: Crawling::Crawl::WHOLE) || finished.first
        end

        # @return [Judging::VerdictRun] the verdicts of the newest crawl
        # @raise [Core::Error::Conflict] where there are none
        def newest_verdicts =
          newest_crawl&.verdict_run ||
            raise(Core::Error::Conflict.new("“#{name}” has no judged crawl yet. Crawl it first."))

        # @param crawl [Crawling::Crawl]
        # @return [Crawling::Crawl, nil] the whole crawl before it whose verdicts are there
        def crawl_before(crawl) =
          crawls.where(
            state: Crawling::Crawl::FINISHED,
            scope: Crawling::Crawl::WHOLE,
            unanswered: false,
            number: ...crawl.number
          ).first

        # @param count [Integer] at most
        # @return [Array<String>] some pages that its newest crawl knows, spread over the site
        def known_urls(count)
          run = newest_crawl&.verdict_run or return []
          Postgres::Sql.run(
            "SELECT url FROM (SELECT url FROM #{Postgres::Partitions.name("ledger_rows", run.id)} WHERE kind IS NULL " \
            "OR kind IN ('html', 'pdf') ORDER BY url_id LIMIT $1) picked ORDER BY url",
            [count]
          ).column_values(0)
        end

        # Drops the site with all its crawls and decisions.
        #
        # @return [void]
        def drop
          transaction do
            Crawling::Crawl.unscoped.where(site_id: id).find_each(&:drop)
            # What hangs on it goes with it (ON DELETE CASCADE).
            self.class.unscoped.where(id: id).delete_all
          end
        end
      end
    end
  end
end

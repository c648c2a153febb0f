# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Works out the verdicts of one crawl from its facts: link counts and depth, groups and intents, the ladder,
      # faults. Facts are left as they are, so this may be done again whenever groups, intents, thresholds or rules
      # change.
      class Judgement
        # Judges a crawl, unless another process is at it.
        #
        # @param crawl [Store::Crawling::Crawl]
        # @param clock [#call] gives the time
        # @return [Store::Judging::VerdictRun, nil] the finished run; nil where another is at it
        def self.alone(crawl, clock:)
          Store::Judging::VerdictRun.alone(crawl) do
            Store::Judging::VerdictRun.sweep(crawl)
            new(crawl, clock: clock).call
          end
        end

        # @param crawl [Store::Crawling::Crawl]
        # @param clock [#call] gives the time
        def initialize(crawl, clock:)
          # Before anything is read: what is changed later is judged by the next run.
          @began = clock.call
          @crawl = crawl
          @clock = clock
          @site = crawl.site
          @context = JudgingContext.of(@site, Store::Pages::PageTemplates.new(crawl), now: @began)
          @limits = @context.limits
          @intent_rules = @context.intent_rules
          @facts = Store::Pages::FactsTables.new(crawl, @intent_rules, @context.basis)
        end

        # @return [Store::Judging::VerdictRun] the finished run
        def call
          Store::Postgres::Partitions.index(Store::Postgres::Partitions::BY_CRAWL - ["frontier"], @crawl.id)
          run = Store::Judging::VerdictRun.begin(@crawl, rules_digest: rules_digest, now: @began)
          writer = Store::Judging::VerdictWriter.new(run)
          @facts.prepared { judge(run, writer) }
          ActiveRecord::Base.transaction { writer.finish(@clock.call) { summed_up(run) } }
          run
        ensure
          writer&.drop_stage
        end

        private

        def judge(run, writer)
          faults = FaultsOfCrawl.new(@site.id, @limits, writer)
          SubjectsOfCrawl.new(@facts, @crawl, @context)
            .each_portion do |judged|
              writer.stage_rows(judged.map(&:row))
              faults.pages(judged)
            end
          writer.staged
          rows = staged_rows(writer)
          Store::Postgres::Concurrently.call(-> { tell_copies(writer) }) do
            faults.across_pages(*suspects(writer))
          end
          faults.among_pages(rows)
          judge_evidence(run, writer, faults)
        end

        def tell_copies(writer) =
          writer.copies.fill(CopiesOfCrawl.new(Store::Pages::PageTexts.new(writer.stage, @crawl)).call)

        def staged_rows(writer)
          Store::Judging::StagedRows.new(
            writer.stage,
            writer.copies.table,
            @crawl,
            has_sitemaps: @facts.sitemaps?,
            pdfs: @site.sitemap_plan["pdfs"]
          )
        end

        # @return [Array(Store::Judging::SuspectLinks, Core::Faults::SiteEvidence)]
        def suspects(writer)
          limits = {heavy_image: @limits.least(:heavy_image)}
          [
            Store::Judging::SuspectLinks.new(writer.stage, @crawl, limits: limits),
            Store::Judging::SiteFacts.new(writer.stage, @crawl).call
          ]
        end

        def judge_evidence(run, writer, faults)
          Store::Evidence::RollUp.new(run, @context.basis).record(stage: writer.stage, evidence: @facts.evidence)
          faults.evidence(
            FaultsByEvidence.new(@context.basis, @limits.least(:query_impressions)),
            Store::Evidence::EvidentRows.new(
              run,
              stage: writer.stage,
              copies: writer.copies.table,
              evidence: @facts.evidence
            ),
            @context.basis
          )
        end

        # What screens show of the site as a whole.
        def summed_up(run)
          Store::Evidence::RollUp.new(run, @context.basis).standings
          {
            evidence: @context.basis.to_json_values,
            templates: templates,
            structure:
              Store::Reports::Structure.new(
                run,
                @limits.for(nil),
                @facts.flow,
                important_known: @facts.sitemaps? || !@intent_rules.none?
              ).call,
            languages: Store::Languages::LanguageSummary.new(run, @crawl.crawl_settings.main_host).call
          }
        end

        # Which of them page groups mean is kept beside.
        def templates
          groups = @site.page_groups.filter_map(&:template).group_by { |core| @context.skeletons.like(core) }
          @context.skeletons.as_json.map { |one| one.merge("groups" => groups.fetch(one["id"], [])) }
        end

        def rules_digest
          decided = [
            Core::Decisions::Registry.judged.map { |kind| @site.decisions.values(kind) },
            @site.key_pages.pluck(:url),
            @site.page_groups.pluck(:name, :pattern, :template)
          ]
          Core::Settings::Fingerprint.of(
            [VERSION, Core::Faults::Registry.all.map(&:code), @limits.to_h, @site.weights, decided]
          )
        end
      end
    end
  end
end

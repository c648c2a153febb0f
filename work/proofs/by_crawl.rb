# frozen_string_literal: true

module IronTrellis
  module Work
    module Proofs
      # What a new crawl says of the fixes of a site: those that were done are proved, in part or not, and those that
      # were proved may have returned. What the crawl didn't read is asked for.
      class ByCrawl
        States = Core::Workplan::States
        # Whose state the crawl tells, once all of it is said.
        SAID = [States::CLAIMED, States::PARTLY, States::NOT_DONE].freeze
        # These change only where nothing is left of them.
        WAITING = [States::HANDED_OVER, States::RETURNED].freeze
        LOOKED_AT = [*SAID, *WAITING, States::PROVED].freeze
        READ = <<~SQL
          SELECT url FROM %<ledger>s
          WHERE url_id = ANY($1::bigint[]) AND (status IS NOT NULL OR robots_allowed IS FALSE)
        SQL

        # @param site [Store::Sites::Site]
        # @param run [Store::Judging::VerdictRun] of the new crawl
        # @param entries [Array<Core::Workplan::Entry>] what is to be mended by it
        # @param now [Time]
        def initialize(site, run, entries, now:)
          @site = site
          @run = run
          @crawl = run.crawl
          @entries = entries.group_by { |entry| same(entry.to_told) }
          @now = now
        end

        # @return [void]
        def call
          fixes = Store::Workplan::Fix.of(@site).where(state: LOOKED_AT).order(:number).to_a
          @faults = fixes.flat_map(&:faults)
          @read = read
          fixes.each { |fix| look_at(fix) }
        ensure
          @looking&.close
        end

        private

        def look_at(fix)
          case fix.state
          when *SAID
            said(fix) unless after_crawl?(fix)
          when *WAITING
            waited(fix)
          when States::PROVED
            proved(fix)
          end
        end

        # What was said to be done while it crawled it may have read before.
        def after_crawl?(fix) = fix.claimed_at && @crawl.started_at && fix.claimed_at > @crawl.started_at

        def said(fix)
          verdict = verdict(fix)
          Recording.new(fix, now: @now).by_crawl(verdict, @crawl.number) if verdict.found.any?
        end

        def waited(fix)
          verdict = verdict(fix, asked: false)
          Recording.new(fix, now: @now).by_crawl(verdict, @crawl.number) if verdict.state == States::PROVED
        end

        # A cache may show the crawl what is long mended.
        def proved(fix)
          back = fix.faults.select { |fault| @entries.key?(same(fault)) }
          return if back.empty?

          broken, whole = conditions(fix).partition { |one| back.any? { |fault| about?(one, fault) } }
          found = looked(broken)
          return if found.any? && found.all?(&:met)

          verdict = Core::Proofs::Verdict.new(found + whole.map { |one| by_crawl(one) })
          ActiveRecord::Base.transaction do
            Recording.new(fix, now: @now).note(verdict, @crawl.number)
            fix.become(States::RETURNED, now: @now, why: why(back), crawl: @crawl.number)
            fix.update!(**worth(fix, back))
          end
        end

        def why(back) =
          "#{back.size} of its faults #{(back.size == 1) ? "is" : "are"} there again in crawl #{@crawl.number}"

        # What came back counts, by today's importance.
        def worth(fix, back)
          draft = Core::Workplan::Draft.of_fix(fix, back.flat_map { |fault| @entries.fetch(same(fault)) })
          {
            benefit: Core::Workplan::Worth.new([draft]).of(draft),
            hours: Workplan::WorkplanSettings.new(@site).counted.of(draft)
          }
        end

        def verdict(fix, asked: true)
          told, open = conditions(fix).partition { |one| @entries.key?(same(fault(one))) || told?(one) }
          found = told.map { |one| by_crawl(one) }
          Core::Proofs::Verdict.new(found + (asked ? looked(open) : open.map { |one| untold(one) }))
        end

        def by_crawl(condition)
          there = @entries.key?(same(fault(condition)))
          Core::Proofs::Found.new(
            condition: condition,
            met: !there,
            found: there ? "crawl #{@crawl.number} found it still" : "crawl #{@crawl.number} found it no more"
          )
        end

        def untold(condition) = Core::Proofs::Found.new(condition: condition, met: nil, found: "it wasn't read")

        # Of what it read a crawl says that it is gone; of what leads to a page only one that read all.
        def told?(condition)
          # A crawl has no rule for what was drafted.
          return false if Core::Proofs::Checks.for(condition) == Core::Proofs::Checks::Drafted
          return false if condition.code == Core::Faults::Rules::RenderOnly::CODE && !@crawl.renders?
          return false if cut? && Core::Proofs::Checks.for(condition) == Core::Proofs::Checks::ByCrawl

          condition.url.nil? || @read.key?(condition.url) || file?(condition)
        end

        def cut? = @crawl.taken >= @crawl.crawl_settings.limit

        # Of files and hosts a whole crawl reads all there are.
        def file?(condition) = condition.code.match?(/\A(?:robots-|sitemap-(?!lists|omits)|host-|insecure)/)

        def read
          urls = @faults.filter_map { |fault| fault["url"] }.uniq
          sql = format(READ, ledger: Store::Postgres::Partitions.name("ledger_rows", @run.id))
          ids = urls.map { |url| Core::Url::NormalForm.id(@site.id, url) }
          Store::Postgres::Sql.run(sql, [Store::Postgres::Sql.array(ids)]).column_values(0).to_h { |url| [url, true] }
        end

        def conditions(fix)
          @conditions ||= Core::Proofs::Conditions.new(Workplan::RemediesOfSite.for(@run, @faults))
          @conditions.call(fix.kind, fix.faults)
        end

        def looked(conditions)
          return [] if conditions.empty?

          @looking ||= Looking.new(@run, clock: -> { @now })
          @looking.verdict(conditions).found
        end

        def fault(condition) = {"code" => condition.code, "url" => condition.url, "about" => condition.about}

        def about?(condition, fault) = same(fault(condition)) == same(fault)

        def same(fault) = Core::Workplan::Sameness.of(fault)
      end
    end
  end
end

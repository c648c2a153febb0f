# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # One computation of the verdicts of a crawl. Screens read the newest finished one.
      class VerdictRun < Postgres::Record
        self.table_name = "verdict_runs"

        KEPT = 2
        # How long somebody may be reading a run that was replaced.
        READING_SECONDS = 120
        # The tables that a run works with until it is finished.
        LEFT_BEHIND = %w[ledger_stage copies_stage].freeze

        belongs_to :crawl, class_name: "IronTrellis::Store::Crawling::Crawl"

        # @param crawl [Crawling::Crawl]
        # @param rules_digest [String] of rules and settings: only runs of equal rules are compared
        # @param now [Time]
        # @return [VerdictRun]
        def self.begin(crawl, rules_digest:, now:)
          transaction do
            run = create!(crawl: crawl, rules_digest: rules_digest, started_at: now)
            Postgres::Partitions.make(Postgres::Partitions::BY_RUN, run.id)
            run
          end
        end

        # Runs the block unless another process runs one for the same crawl.
        #
        # @param crawl [Crawling::Crawl]
        # @return [Object, nil] what the block gives; nil where it wasn't run
        def self.alone(crawl, &block) = Postgres::InTurn.alone("judging of crawl #{crawl.id}", &block)

        # Drops what runs that were killed have left of a crawl. Only to be called by who alone judges it.
        #
        # @param crawl [Crawling::Crawl]
        # @return [void]
        def self.sweep(crawl) = crawl.verdict_runs.where(finished_at: nil).each(&:drop)

        # @param now [Time]
        # @param since [Time] who asked before that may have died over it
        # @return [Boolean] whether nobody has asked yet for where its lost addresses could lead, so that this call does
        def ask_for_suggestions(now, since:) =
          self.class
            .where(id: id, suggested_at: nil)
            .where("suggestions_asked_at IS NULL OR suggestions_asked_at < ?", since)
            .update_all(suggestions_asked_at: now) == 1

        # Drops what killed runs have left of crawls that nobody judges any more.
        #
        # @return [void]
        def self.sweep_all
          Crawling::Crawl
            .unscoped
            .where(id: where(finished_at: nil).select(:crawl_id))
            .each { |crawl| alone(crawl) { sweep(crawl) } }
        end

        # Drops the finished runs of a crawl but for the newest; those that were replaced a moment ago stay too, since
        # somebody may be reading them.
        #
        # @param crawl [Crawling::Crawl]
        # @param now [Time]
        # @return [void]
        def self.drop_old(crawl, now)
          finished = crawl.verdict_runs.where.not(finished_at: nil).order(:finished_at, :id).to_a
          finished
            .each_cons(2)
            .first([finished.size - KEPT, 0].max)
            .each { |run, after| run.drop if now - after.finished_at > READING_SECONDS }
        end

        # @param core [String] of a page group (Core::Groups::Skeletons)
        # @return [String, nil] the id of the template that it means
        def template_like(core)
          found = templates.find { |one| one["core"] == core || one.fetch("groups", []).include?(core) }
          found&.fetch("id")
        end

        # @return [void]
        def drop
          LEFT_BEHIND.each { |stage| Postgres::Sql.raw.exec("DROP TABLE IF EXISTS #{stage}_#{id}") }
          Postgres::Partitions.drop(Postgres::Partitions::BY_RUN, id)
          destroy!
        end
      end
    end
  end
end

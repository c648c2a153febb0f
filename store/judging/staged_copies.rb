# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # What is known of the copies among the pages of a run, until the run's ledger is made of it.
      class StagedCopies
        COLUMNS = %w[url_id copy_of similarity copies unique_share main_words reason].freeze
        # What a staged row "s" comes to by what stands here of it, "c": a copy that passes all other rungs stops for
        # being one, but for what is meant to be kept out (Core::Ladder::Evidence).
        RUNG = Core::Ladder::Rungs::Distinct::NAME
        STOPS = "c.reason IS NOT NULL AND s.intent <> 'keep_out' AND #{Ledger::Climbs.passes("s.climb", RUNG)}"
        COUNTS = "#{STOPS} AND #{Ledger::Climbs.first?("s.stop", RUNG)}"
        STOP = "CASE WHEN #{COUNTS} THEN '#{RUNG}' ELSE s.stop END"
        STOP_REASON = "CASE WHEN #{COUNTS} THEN c.reason ELSE s.stop_reason END"
        CLIMB =
          "CASE WHEN #{STOPS} THEN #{Ledger::Climbs.stopped_at("s.climb", RUNG, "c.reason")} ELSE s.climb END"

        attr_reader :table

        # @param run [VerdictRun]
        def initialize(run)
          @table = "copies_stage_#{run.id}"
          Postgres::Sql.raw.exec(
            "CREATE UNLOGGED TABLE #{@table} (url_id bigint PRIMARY KEY, copy_of text, similarity double precision, " \
            "copies integer, unique_share double precision, main_words integer, reason text)"
          )
        end

        # @param rows [Array<Hash{String => Object}>] by column
        # @return [void]
        def fill(rows)
          Postgres::BulkCopy.new(@table, COLUMNS).call(@table, rows.map { |row| row.values_at(*COLUMNS) })
          Postgres::Sql.raw.exec("ANALYZE #{@table}")
        end

        # @return [void]
        def drop = Postgres::Sql.raw.exec("DROP TABLE IF EXISTS #{@table}")
      end
    end
  end
end

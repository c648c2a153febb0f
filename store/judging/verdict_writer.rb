# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # Stores a verdict run. Rows of the ledger go to a stage first, where rules look at them; when all faults are
      # known the stage becomes the ledger, with the faults of each URL, and the run is swapped in.
      class VerdictWriter
        FAULTS = %w[run_id identity code grade url_id url about detail].freeze
        # What the ledger is narrowed to most, within which it is mostly sorted by importance.
        NARROWING = %w[group stop].freeze
        # A smaller ledger is read whole sooner than its indexes are made.
        LEAST_INDEXED = 3_000
        LEDGER = <<~SQL
          INSERT INTO %<ledger>s (run_id, %<columns>s, stop, stop_reason, climb, copy_of, similarity, unique_share,
            copies,
            faults, fault_count)
          SELECT $1, %<columns>s, #{StagedCopies::STOP}, #{StagedCopies::STOP_REASON}, #{StagedCopies::CLIMB},
            c.copy_of, c.similarity, c.unique_share, c.copies,
            coalesce(f.codes, '{}'), coalesce(cardinality(f.codes), 0)
          FROM %<stage>s s LEFT JOIN %<copies>s c USING (url_id) LEFT JOIN (SELECT url_id, array_agg(DISTINCT code ORDER
            BY code) AS codes FROM %<faults>s GROUP BY url_id) f USING (url_id)
        SQL

        # What the copies have a say in.
        MERGED = %w[stop stop_reason climb].freeze

        # @return [String] the name of the stage
        attr_reader :stage
        # @return [StagedCopies]
        attr_reader :copies

        # @param run [VerdictRun]
        def initialize(run)
          @run = run
          @stage = "ledger_stage_#{run.id}"
          @ledger = Postgres::Partitions.name("ledger_rows", run.id)
          @faults = Postgres::Partitions.name("faults", run.id)
          @columns = (columns - MERGED).map { |column| %("#{column}") }.join(", ")
          Postgres::Sql.raw.exec(
            "CREATE UNLOGGED TABLE #{@stage} AS SELECT #{columns.map { |column| %("#{column}") }.join(", ")} FROM " \
            "ledger_rows WHERE false"
          )
          @copies = StagedCopies.new(run)
          @staging = Postgres::BulkCopy.new(@stage, columns)
          @faulting = Postgres::BulkCopy.new("faults", FAULTS)
        end

        # @param rows [Array<Hash{String => Object}>] by column
        # @return [void]
        def stage_rows(rows) = @staging.call(@stage, rows.map { |row| row.fetch_values(*columns) })

        # To be called when all rows are staged, before they are read.
        #
        # @return [void]
        def staged
          Postgres::Sql.raw.exec("CREATE UNIQUE INDEX ON #{@stage} (url_id)")
          Postgres::Sql.raw.exec("ANALYZE #{@stage}")
        end

        # @param faults [Array<Array(Core::Faults::Fault, Integer, Integer)>] each with its URL's id and its identity
        # @return [void]
        def faults(faults)
          @faulting.call(
            @faults,
            faults.map do |fault, url_id, identity|
              [@run.id, identity, fault.code, fault.grade, url_id, fault.url, fault.about, fault.detail]
            end
          )
        end

        # Makes the ledger of the stage, counts, indexes, and makes the run the one that is read.
        #
        # @param now [Time]
        # @yieldreturn [Hash] what is summed up of the site when the ledger stands, by column of the run
        # @return [void]
        def finish(now)
          rows =
            Postgres::Sql.run(
              format(LEDGER, ledger: @ledger, stage: @stage, copies: @copies.table, faults: @faults, columns: @columns),
              [@run.id]
            ).cmd_tuples
          drop_stage
          roll_up
          Postgres::Sql.raw.exec("CREATE UNIQUE INDEX #{@ledger}_by_id ON #{@ledger} (url_id)")
          Postgres::Sql.raw.exec("ANALYZE #{@ledger}")
          make_indexes if rows >= LEAST_INDEXED
          Postgres::Partitions.index(["faults"], @run.id)
          Reports::Causes.new(@run).roll_up
          @run.update!(finished_at: now, **yield)
        end

        # @return [void]
        def drop_stage
          Postgres::Sql.raw.exec("DROP TABLE IF EXISTS #{@stage}")
          @copies.drop
        end

        private

        # For the orders in which people look at a ledger, and for what they narrow it to.
        def make_indexes
          keys = Ledger::Fields.indexed.to_h { |column| ["by_#{column}", "(#{Ledger::Order.new(column).key}), url_id"] }
          NARROWING.each { |column| keys["within_#{column}"] = %("#{column}", importance, url_id) }
          keys.each { |name, key| Postgres::Sql.raw.exec("CREATE INDEX #{@ledger}_#{name} ON #{@ledger} (#{key})") }
          {"by_part_of_url" => "url gin_trgm_ops", "by_faults" => "faults"}.each do |name, key|
            Postgres::Sql.raw.exec("CREATE INDEX #{@ledger}_#{name} ON #{@ledger} USING gin (#{key})")
          end
        end

        def columns = Core::Ledger::Registry.staged

        def roll_up
          Postgres::Sql.run(<<~SQL, [@run.id])
            INSERT INTO rollups (run_id, "group", intent, wanted, stop, pages)
            SELECT $1, "group", intent, wanted, coalesce(stop, ''), count(*) FROM #{@ledger}
            WHERE #{Ledger::Scopes.document} GROUP BY 2, 3, 4, 5
          SQL
        end
      end
    end
  end
end

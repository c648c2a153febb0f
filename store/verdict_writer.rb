# frozen_string_literal: true

module IronTrellis
  module Store
    # Stores a verdict run: ledger rows, faults and rollups, and then swaps it in.
    class VerdictWriter
      LEDGER = %w[run_id url_id url kind status error content_type bytes response_ms depth found_by robots_allowed robots_line redirect_to
        redirect_chain final_url final_status noindex nofollow canonical canonical_source canonical_state lang title title_chars description
        description_chars h1 words links_in links_out_internal links_out_external images images_without_alt in_sitemaps group intent wanted
        indexable stop stop_reason faults fault_count climb].freeze
      FAULTS = %w[run_id identity code grade url_id url about detail].freeze
      # Each column by which the ledger can be sorted, so that any page of it is found at once.
      INDEXED = Ledger::Fields::SORTABLE

      # @param run [VerdictRun]
      def initialize(run)
        @run = run
      end

      # @param rows [Array<Hash{String => Object}>] by column
      # @return [void]
      def ledger(rows)
        Copy.new("ledger_rows", LEDGER).call(Partitions.name("ledger_rows", @run.id), rows.lazy.map { |row| [@run.id, *row.values_at(*LEDGER.drop(1))] })
      end

      # @param faults [Array<Array(Core::Faults::Fault, Integer, Integer)>] each with its URL's id and its identity
      # @return [void]
      def faults(faults)
        Copy.new("faults", FAULTS).call(Partitions.name("faults", @run.id), faults.lazy.map do |fault, url_id, identity|
          [@run.id, identity, fault.code, fault.grade, url_id, fault.url, fault.about, fault.detail]
        end)
      end

      # Counts, indexes, and makes the run the one that is read.
      #
      # @param now [Time]
      # @return [void]
      def finish(now)
        table = Partitions.name("ledger_rows", @run.id)
        Sql.run(<<~SQL, [@run.id])
          INSERT INTO rollups (run_id, "group", intent, wanted, stop, pages)
          SELECT $1, "group", intent, wanted, coalesce(stop, ''), count(*) FROM #{table}
          WHERE kind IS NULL OR kind NOT IN ('image', 'script', 'style') GROUP BY 2, 3, 4, 5
        SQL
        Sql.raw.exec("CREATE UNIQUE INDEX #{table}_by_id ON #{table} (url_id)")
        INDEXED.each { |column| Sql.raw.exec(%(CREATE INDEX #{table}_by_#{column} ON #{table} ("#{column}", url_id))) }
        Sql.raw.exec("ANALYZE #{table}")
        Partitions.index(["faults"], @run.id)
        @run.update!(finished_at: now)
      end
    end
  end
end

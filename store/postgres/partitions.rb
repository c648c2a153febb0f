# frozen_string_literal: true

module IronTrellis
  module Store
    module Postgres
      # Tables partitioned by crawl or by verdict run. A partition is built standalone and attached, so that others may
      # read the parent meanwhile, and dropped whole.
      module Partitions
        BY_CRAWL = %w[frontier page_facts raw_answers page_blocks links sitemap_entries].freeze
        BY_RUN = %w[ledger_rows faults].freeze

        # The frontier is asked while it grows; what is only loaded is indexed afterwards.
        AT_ONCE = {
          "frontier" => [
            "ALTER TABLE %<table>s ADD PRIMARY KEY (url_id)",
            "CREATE INDEX %<table>s_waiting ON %<table>s (host_id, depth, url_id) WHERE " \
              "state = #{Crawling::FrontierStates::ALL[:waiting]}",
            "CREATE INDEX %<table>s_deferred ON %<table>s (not_before) WHERE " \
              "state = #{Crawling::FrontierStates::ALL[:deferred]}",
            "CREATE INDEX %<table>s_quarantined ON %<table>s (host_id) WHERE " \
            "state = #{Crawling::FrontierStates::ALL[:quarantined]}"
          ]
        }.freeze
        # Links are indexed by one column each: equal keys share their place in such an index, which takes a third of
        # the room.
        AFTER_LOADING = {
          "page_facts" => ["UNIQUE INDEX %<table>s_by_url ON %<table>s (url_id)"],
          "raw_answers" => ["UNIQUE INDEX %<table>s_by_url ON %<table>s (url_id)"],
          "page_blocks" => ["UNIQUE INDEX %<table>s_by_url ON %<table>s (url_id)"],
          "links" => [
            "INDEX %<table>s_by_source ON %<table>s (source_id)",
            "INDEX %<table>s_by_target ON %<table>s (target_id)"
          ],
          "sitemap_entries" => ["INDEX %<table>s_by_url ON %<table>s (url_id)"],
          "faults" => [
            "INDEX %<table>s_by_url ON %<table>s (url_id)",
            "INDEX %<table>s_by_code ON %<table>s (code)",
            "INDEX %<table>s_by_identity ON %<table>s (identity)"
          ]
        }.freeze

        module_function

        # @param parent [String]
        # @param id [Integer] of the crawl or run
        # @return [String] the partition's name
        def name(parent, id) = "#{parent}_#{Integer(id)}"

        # @param id [Integer] of a crawl
        # @return [Hash{Symbol => String}] the partitions of its facts, by table, as statements name them
        def of_crawl(id) = BY_CRAWL.to_h { |parent| [parent.to_sym, name(parent, id)] }

        # @param run [Judging::VerdictRun]
        # @return [Hash{Symbol => String}] those, and the partitions of its verdicts: ledger and faults
        def of_run(run) =
          of_crawl(run.crawl_id).merge(ledger: name("ledger_rows", run.id), faults: name("faults", run.id))

        # @param parents [Array<String>]
        # @param id [Integer]
        # @return [void]
        def make(parents, id)
          parents.each do |parent|
            table = name(parent, id)
            Sql.raw.exec("CREATE TABLE #{table} (LIKE #{parent} INCLUDING DEFAULTS)")
            AT_ONCE.fetch(parent, []).each { |change| Sql.raw.exec(format(change, table: table)) }
            Sql.raw.exec("ALTER TABLE #{parent} ATTACH PARTITION #{table} FOR VALUES IN (#{Integer(id)})")
          end
        end

        # Safe to run twice.
        #
        # @return [void]
        def index(parents, id)
          parents.each do |parent|
            table = name(parent, id)
            AFTER_LOADING.fetch(parent, []).each do |statement|
              Sql.raw.exec("CREATE #{format(statement, table: table).sub("INDEX ", "INDEX IF NOT EXISTS ")}")
            end
            Sql.raw.exec("ANALYZE #{table}")
          end
        end

        # @return [void]
        def drop(parents, id) = parents.each { |parent| Sql.raw.exec("DROP TABLE IF EXISTS #{name(parent, id)}") }
      end
    end
  end
end

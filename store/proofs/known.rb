# frozen_string_literal: true

module IronTrellis
  module Store
    module Proofs
      # What a run of verdicts knows of URLs whose faults are to be gone.
      class Known
        ROWS = "SELECT * FROM %<ledger>s WHERE url_id = ANY($1::bigint[])"
        LINKING = <<~SQL
          SELECT DISTINCT l.url FROM %<links>s k JOIN %<ledger>s l ON l.url_id = k.source_id
          WHERE k.target_id = $1 AND k.type = #{Pages::FactsRows::TYPES.fetch("anchor")} AND k.source_id <> k.target_id
          ORDER BY 1 LIMIT 500
        SQL

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @site = run.crawl.site
          @names = Postgres::Partitions.of_run(run)
          @rows = {}
        end

        # @param urls [Array<String>]
        # @return [void]
        def load(urls)
          new = urls.compact.uniq - @rows.keys
          return if new.empty?

          ids = new.to_h { |url| [Core::Url::NormalForm.id(@site.id, url), url] }
          new.each { |url| @rows[url] = nil }
          Postgres::Sql
            .rows(format(ROWS, @names), [Postgres::Sql.array(ids.keys)])
            .each { |row| @rows[ids.fetch(row["url_id"])] = subject(row) }
        end

        # @param url [String]
        # @return [Core::Faults::Subject, nil]
        def row(url)
          load([url])
          @rows[url]
        end

        # @param url [String]
        # @return [Array<String>] pages that link to it
        def linking(url) =
          Postgres::Sql
            .run(format(LINKING, @names), [Core::Url::NormalForm.id(@site.id, url)])
            .column_values(0)

        private

        def subject(row)
          Core::Faults::Subject.of(row).tap do |subject|
            subject.whole = true
            subject.found_by ||= []
            subject.in_sitemaps ||= []
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Decisions
      # The pages that a decision is about, as one crawl knows them; those that matter most first.
      class Concerned
        PAGES =
          "SELECT url_id::text AS url_id, url, count(*) OVER () AS total FROM %<ledger>s " \
          "WHERE #{Ledger::Scopes.document} AND %<which>s ORDER BY importance DESC NULLS LAST, url_id LIMIT %<most>d"
        # On which a link to one address stands.
        SOURCES = <<~SQL
          SELECT s.url_id::text AS url_id, s.url, count(*) OVER () AS total FROM %<ledger>s s
          WHERE s.url_id IN (SELECT source_id FROM %<links>s WHERE target_id = $1 AND type =
            #{Pages::FactsRows::TYPES.fetch("anchor")} AND source_id <> target_id) ORDER BY s.importance DESC NULLS
              LAST, s.url_id LIMIT %<most>d
        SQL

        # @param run [Judging::VerdictRun]
        # @param most [Integer] so many pages are told
        def initialize(run, most:)
          @site_id = run.crawl.site_id
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            links: Postgres::Partitions.name("links", run.crawl_id),
            most: most
          }
        end

        # @param decision [Decision]
        # @return [Array(Array<Hash>, Integer)] pages ([{url, url_id (nil where the crawl doesn't know it)}]), and how
        #   many there are in all
        def of(decision)
          which, what = Core::Decisions::Registry.fetch(decision.kind).concerns(decision.subject, decision.value)
          case which
          when :of_group then rows_and_total(format(PAGES, **@names, which: '"group" = $1'), what)
          when :linking_to then rows_and_total(format(SOURCES, @names), Core::Url::NormalForm.id(@site_id, what))
          when :named then named(what)
          when :matching
            rows_and_total(format(PAGES, **@names, which: "url ~ $1"), Core::Url::Pattern.new(what).translated)
          else
            [[], 0]
          end
        end

        private

        def rows_and_total(sql, param)
          rows = Postgres::Sql.rows(sql, [param])
          [rows.map { |row| row.except("total") }, rows.first&.fetch("total") || 0]
        end

        def named(urls)
          ids =
            Postgres::Sql
              .rows(
                "SELECT url_id::text AS url_id, url FROM #{@names[:ledger]} WHERE url = ANY($1::text[])",
                [Postgres::Sql.array(urls)]
              )
              .to_h { |row| row.values_at("url", "url_id") }
          [urls.first(@names[:most]).map { |url| {"url" => url, "url_id" => ids[url]} }, urls.size]
        end
      end
    end
  end
end

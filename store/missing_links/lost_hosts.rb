# frozen_string_literal: true

module IronTrellis
  module Store
    module MissingLinks
      # Links out of a crawled site that lead nowhere any more, by the host that is lost: on which pages, with which
      # words, what an earlier crawl saw there, and whom to write to about the page.
      class LostHosts
        MOST = 500
        ROWS = <<~SQL
          SELECT f.url AS page, f.about AS target, f.url_id::text AS page_id, (
            SELECT string_agg(DISTINCT k.text, ' / ') FROM %<links>s k
            WHERE k.source_id = f.url_id AND k.target_id = t.id AND k.text <> ''
          ) AS anchor, (
            SELECT p.titles[1] FROM page_facts p WHERE p.url_id = t.id AND p.titles <> '{}'
            ORDER BY p.crawl_id DESC LIMIT 1
          ) AS stood_there, substring(convert_from(a.body, 'LATIN1') from '(?i)mailto:([^"''?>\\s]+)') AS contact
          FROM %<faults>s f JOIN urls t ON t.site_id = $1 AND t.url = f.about
          LEFT JOIN %<raw_answers>s a ON a.url_id = f.url_id
          WHERE f.code = 'outbound-missing' ORDER BY f.about, f.url LIMIT #{MOST}
        SQL

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @names = Postgres::Partitions.of_run(run)
        end

        # @return [Array<Hash>] host and links ([{page, page_id, target, anchor, stood_there, contact}]), the most
        #   linked first
        def call
          rows = Postgres::Sql.rows(format(ROWS, @names), [@run.crawl.site_id])
          rows
            .group_by { |row| Core::Url::Authority.of(row["target"]) || "" }
            .map { |host, some| {host: host, links: some} }
            .sort_by { |one| [-one[:links].size, one[:host]] }
        end
      end
    end
  end
end

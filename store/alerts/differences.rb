# frozen_string_literal: true

module IronTrellis
  module Store
    module Alerts
      # What is otherwise in one run of verdicts than in the one before.
      class Differences
        FALLEN = <<~SQL
          SELECT n.url, n.importance, n.stop FROM %<now>s n JOIN %<then>s t USING (url_id)
          WHERE n.wanted AND t.wanted AND n.stop IS NOT NULL AND t.stop IS NULL ORDER BY n.url
        SQL
        WANTED = "SELECT count(*) AS pages FROM %<then>s WHERE wanted"
        NOINDEX = <<~SQL
          SELECT n.url FROM %<now>s n JOIN %<then>s t USING (url_id)
          WHERE n.noindex AND t.noindex IS FALSE AND t.status = 200 AND n.status = 200 AND n.intent <> 'keep_out'
          ORDER BY n.importance DESC NULLS LAST, n.url
        SQL
        SITEMAPS = <<~SQL
          SELECT n.url, n.status, n.error FROM sitemap_files n JOIN sitemap_files t ON t.url = n.url AND t.crawl_id = $2
          WHERE n.crawl_id = $1 AND t.status = 200 AND t.error IS NULL AND (n.error IS NOT NULL OR n.status <> 200)
          ORDER BY n.url
        SQL

        # @param now [Judging::VerdictRun]
        # @param before [Judging::VerdictRun]
        def initialize(now, before)
          @now = now
          @before = before
          @names = {
            now: Postgres::Partitions.name("ledger_rows", now.id),
            then: Postgres::Partitions.name("ledger_rows", before.id)
          }
        end

        # @return [Array<Hash>] url, importance and stop of wanted pages that stop and didn't
        def fallen = @fallen ||= Postgres::Sql.rows(format(FALLEN, @names))

        # @return [Integer] wanted pages before
        def wanted = Postgres::Sql.rows(format(WANTED, @names)).first["pages"]

        # @return [Array<String>] pages that say noindex and didn't, but for those that are to be kept out
        def noindex = Postgres::Sql.run(format(NOINDEX, @names)).column_values(0)

        # @return [Array<Hash>] url, status and error of sitemaps that could be read before
        def sitemaps = Postgres::Sql.rows(SITEMAPS, [@now.crawl_id, @before.crawl_id])

        # @return [Array<Hash>] origin of each robots.txt that is another, with lines that are new and gone
        def robots
          before = texts(@before)
          texts(@now).filter_map do |origin, text|
            old = before[origin]
            next if old.nil? || old == text

            lines, were = [text, old].map { |one| one.split("\n").map(&:strip).reject(&:empty?) }
            {"origin" => origin, "new" => lines - were, "gone" => were - lines}
          end
        end

        private

        def texts(run) =
          Robots::RobotsFiles
            .all(run.crawl_id)
            .select { |file| file["error"].nil? }
            .to_h { |file| [file["origin"], (file["status"] == 200) ? file["body"].to_s : ""] }
      end
    end
  end
end

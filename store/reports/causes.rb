# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # The faults of one run by rule: how many URLs each concerns, how much they matter, and where they gather.
      class Causes
        # What nearly all pages of a site have, if it is no small one, is one cause of the site.
        SITE_SHARE = 0.9
        LEAST_SITE = 20
        PAGES = "SELECT count(*) FROM %<ledger>s WHERE kind = 'html' AND indexable"

        # Where robots.txt and sitemap files stand, which are no pages.
        ELSEWHERE = "files of the site"
        # The host of a fault's URL.
        HOST = "split_part(%<url>s, '/', 3)"

        # Counted once, when the ledger of a run stands.
        ROLL_UP = <<~SQL
          WITH told AS (SELECT code, url_id, coalesce(#{format(HOST, url: "url")}, '') AS host, count(*) AS times
            FROM %<faults>s
            GROUP BY 1, 2, 3),
            sizes AS (SELECT "group", count(*) AS pages FROM %<ledger>s WHERE kind = 'html' GROUP BY 1)
          INSERT INTO fault_rollups (run_id, code, "group", host, urls, times, importance, others, wanted, pages)
          SELECT $1, t.code, coalesce(l."group", '#{ELSEWHERE}'), t.host, count(*), sum(t.times),
            coalesce(sum(l.importance), 0), count(*) FILTER (WHERE l.importance IS NULL), count(*) FILTER (WHERE
              l.wanted),
            coalesce(max(s.pages), 0) FROM told t LEFT JOIN %<ledger>s l USING (url_id) LEFT JOIN sizes s ON s."group" =
              l."group" GROUP BY 2, 3, 4
        SQL
        ROLLED_UP = <<~SQL
          SELECT code, "group", sum(urls)::integer AS urls, sum(times)::integer AS times, sum(importance) AS importance,
            sum(others)::integer AS others, sum(wanted)::integer AS wanted, max(pages) AS pages
          FROM fault_rollups WHERE run_id = $1 AND ($2::text IS NULL OR "group" = $2) AND ($3::text IS NULL OR host =
            $3) GROUP BY code, "group"
        SQL
        # What is of a whole group lies on no host.
        PLACES =
          "SELECT DISTINCT %<place>s AS place FROM fault_rollups WHERE run_id = $1 AND %<place>s <> '' ORDER BY 1"
        # So many crawls back is it told how many URLs a rule found.
        TREND = 12
        # Whole crawls of the site up to this one, judged by the same rules and limits, the newest first; of those that
        # got no answers none but this one.
        BEFORE = <<~SQL
          SELECT DISTINCT ON (c.number) c.number AS crawl, r.id AS run FROM verdict_runs r JOIN crawls c ON c.id =
            r.crawl_id
          WHERE r.finished_at IS NOT NULL AND r.rules_digest = $1 AND c.site_id = $2 AND c.scope =
            '#{Crawling::Crawl::WHOLE}' AND c.number <= $3 AND (c.number = $3 OR NOT c.unanswered AND
              NOT $4) ORDER BY c.number DESC, r.id DESC LIMIT #{TREND}
        SQL
        FOUND = <<~SQL
          SELECT run_id AS run, code, sum(urls)::integer AS urls FROM fault_rollups
          WHERE run_id = ANY($1::bigint[]) AND ($2::text IS NULL OR "group" = $2) AND ($3::text IS NULL OR host = $3)
            GROUP BY 1, 2
        SQL

        # @param run [Judging::VerdictRun]
        # @param group [String, nil] narrows to the faults on its URLs
        # @param host [String, nil] narrows to the faults on its URLs
        def initialize(run, group: nil, host: nil)
          @run = run
          @narrowed = [group, host]
          @names = {
            faults: Postgres::Partitions.name("faults", run.id),
            ledger: Postgres::Partitions.name("ledger_rows", run.id)
          }
        end

        # @return [Array<Hash>] by rule, by grade and of one grade the heaviest first: code, title, grade, note, why,
        #   fix, source, about, same, urls, times, wanted, weight, whole_site, groups ([{group, urls, pages, template}],
        #   most URLs first), trend ([{crawl, urls}] of the crawls judged by the same rules, the oldest first)
        def call
          Postgres::Sql
            .rows(ROLLED_UP, [@run.id, *@narrowed])
            .group_by { |row| row["code"] }
            .map { |code, rows| rule(code, rows) }
            .sort_by { |one| [*Core::Faults::Weight.order(one[:grade], one[:weight]), one[:code]] }
        end

        # @return [Hash{Symbol => Array<String>}] all groups and hosts on which the run has faults, whatever this is
        #   narrowed to
        def places =
          {groups: %("group"), hosts: "host"}.transform_values do |place|
            Postgres::Sql.run(format(PLACES, place: place), [@run.id]).column_values(0)
          end

        # @return [void]
        def roll_up = Postgres::Sql.run(format(ROLL_UP, @names), [@run.id])

        private

        def rule(code, rows)
          rule = Core::Faults::Registry.fetch(code)
          {
            code: code,
            title: rule.title,
            grade: rule.grade,
            note: rule.note?,
            why: rule::WHY,
            fix: rule::FIX,
            source: rule::SOURCE,
            about: rule.about,
            same: rule.same,
            urls: sum(rows, "urls"),
            times: sum(rows, "times"),
            wanted: sum(rows, "wanted"),
            weight: Core::Faults::Weight.of(rule, importance: sum(rows, "importance"), others: sum(rows, "others")),
            whole_site: whole_site?(sum(rows, "urls")),
            groups: rows.map { |row| group(row) }.sort_by { |one| [-one[:urls], one[:group]] },
            trend: before.map { |one| {crawl: one["crawl"], urls: found.fetch([one["run"], code], 0)} }
          }
        end

        def whole_site?(urls) = urls >= LEAST_SITE && urls > SITE_SHARE * pages

        def pages = @pages ||= Postgres::Sql.run(format(PAGES, @names)).getvalue(0, 0).to_i

        def before =
          @before ||= Postgres::Sql.rows(BEFORE, [@run.rules_digest, *of_crawl(@run.crawl)]).reverse

        def of_crawl(crawl) = [crawl.site_id, crawl.number, crawl.unanswered]

        def found =
          @found ||=
            Postgres::Sql
              .rows(FOUND, [Postgres::Sql.array(before.map { |one| one["run"] }), *@narrowed])
              .to_h { |row| [row.values_at("run", "code"), row["urls"]] }

        def group(row)
          group, urls, pages = row.values_at("group", "urls", "pages")
          {group: group, urls: urls, pages: pages, template: Core::Faults::TemplateFault.of?(urls, pages)}
        end

        def sum(rows, name) = rows.sum { |row| row[name] }
      end
    end
  end
end

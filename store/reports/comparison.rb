# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Reports
      # Two crawls of one site, the newer against the earlier: which URLs rose or fell on the ladder, came or went, and
      # what became of each fault. Only verdicts of equal rules can be compared.
      class Comparison
        # Rose and fell are of what is wanted in both; what changed as it was decided is told apart, and what isn't
        # wanted changes as it likes. Where nothing is wanted yet all that isn't to be kept out counts.
        MOVES = %w[rose fell as_decided came went others].freeze
        MOST_ROWS = 200
        # A higher number is further up; one that passes all rungs stands above them.
        HEIGHT =
          "coalesce(array_position(ARRAY['#{Core::Ladder::Climb::NAMES.join("','")}'], %<table>s.stop), " \
            "#{Core::Ladder::Climb::NAMES.size + 1})"
        BOTH = <<~SQL
          SELECT coalesce(n.url_id, o.url_id) AS url_id, coalesce(n.url, o.url) AS url, o.stop AS stop_before, n.stop AS
            stop_after, n.stop_reason, coalesce(n.importance, o.importance) AS importance,
            coalesce(n."group", o."group") AS "group",
            CASE WHEN o.url_id IS NULL THEN 'came' WHEN n.url_id IS NULL THEN 'went' WHEN #{format(HEIGHT, table: "n")}
              = #{format(HEIGHT, table: "o")} THEN 'stayed'
              WHEN n.fulfilled IS NOT NULL AND n.fulfilled IS DISTINCT FROM o.fulfilled THEN 'as_decided' WHEN NOT
                %<counts>s THEN 'others'
              WHEN #{format(HEIGHT, table: "n")} > #{format(HEIGHT, table: "o")} THEN 'rose' ELSE 'fell' END AS move
          FROM (SELECT * FROM %<new>s WHERE #{Ledger::Scopes.document}) n FULL JOIN (SELECT * FROM %<old>s WHERE
            #{Ledger::Scopes.document}) o ON o.url_id = n.url_id
        SQL
        COUNTS = "SELECT move, stop_before, stop_after, count(*) AS urls FROM (#{BOTH}) b GROUP BY 1, 2, 3"
        ROWS = <<~SQL
          SELECT url_id::text AS url_id, url, stop_before, stop_after, stop_reason, importance, count(*) OVER () AS
            total FROM (#{BOTH}) b WHERE move = $1
          ORDER BY importance DESC NULLS LAST, url COLLATE "C" LIMIT #{MOST_ROWS}
        SQL
        GROUPS = <<~SQL
          SELECT "group", count(*) FILTER (WHERE move = 'rose') AS rose, count(*) FILTER (WHERE move = 'fell') AS fell,
            count(*) FILTER (WHERE move = 'as_decided') AS as_decided
          FROM (#{BOTH}) b WHERE move IN ('rose', 'fell', 'as_decided') GROUP BY 1 ORDER BY count(*) DESC, 1
          LIMIT 50
        SQL
        # How the URLs of fixes moved.
        MOVED = "SELECT url, move FROM (#{BOTH}) b WHERE url_id = ANY($1::bigint[])"
        # These explain what changed.
        EXPLAIN = [Core::Workplan::States::PROVED, Core::Workplan::States::RETURNED].freeze
        # A fault is cleared only where what it was told of was looked at again; what was there before the earlier crawl
        # and not in it has returned.
        FAULTS = <<~SQL
          SELECT code, grade, count(*) FILTER (WHERE state = 'new') AS new, count(*) FILTER (WHERE state = 'returned')
            AS returned, count(*) FILTER (WHERE state = 'still') AS still,
            count(*) FILTER (WHERE state = 'cleared') AS cleared, count(*) FILTER (WHERE state = 'unchecked') AS
              unchecked
          FROM (
            SELECT coalesce(n.code, o.code) AS code, coalesce(n.grade, o.grade) AS grade, CASE
              WHEN n.identity IS NOT NULL AND o.identity IS NOT NULL THEN 'still'
              WHEN n.identity IS NULL AND (l.status IS NOT NULL AND (o.code <> 'render-only' OR l.by_script IS NOT NULL)
                OR p.url_id IS NULL) THEN 'cleared' WHEN n.identity IS NULL THEN 'unchecked'
              WHEN EXISTS (SELECT 1 FROM faults e WHERE e.run_id = ANY($1::bigint[]) AND e.identity = n.identity) THEN
                'returned' ELSE 'new' END AS state
            FROM (SELECT DISTINCT ON (identity) * FROM %<new_faults>s) n FULL JOIN (SELECT DISTINCT ON (identity) * FROM
              %<old_faults>s) o ON o.identity = n.identity
            LEFT JOIN %<new>s l ON l.url_id = o.url_id LEFT JOIN %<old>s p ON p.url_id = o.url_id
          ) f GROUP BY 1, 2 ORDER BY 1
        SQL

        # @param crawl [Crawling::Crawl] the newer one
        # @param earlier [Crawling::Crawl]
        # @raise [Core::Error::Conflict] where the two can't be compared
        def initialize(crawl, earlier)
          @runs =
            [crawl, earlier].map do |one|
              one.verdict_run ||
                raise(Core::Error::Conflict.new("Crawl #{one.number} isn't judged yet, so it can't be compared."))
            end
          check(crawl, earlier)
          # Older histories tell whole seconds.
          @between = earlier.created_at.floor..following(crawl)
          @numbers = (earlier.number + 1)..crawl.number
          @site = crawl.site
          @before =
            crawl
              .site
              .crawls
              .where(number: ...earlier.number, scope: Crawling::Crawl::WHOLE)
              .filter_map { |one| one.verdict_run&.id }
          @names = {
            new: table("ledger_rows", 0),
            old: table("ledger_rows", 1),
            new_faults: table("faults", 0),
            old_faults: table("faults", 1)
          }
          @names[:counts] = (
            if anything_wanted?
              "(n.wanted AND o.wanted)"
            else
              "(n.intent <> 'keep_out' AND o.intent <> 'keep_out')"
            end
          )
        end

        # @return [Hash] moves (how many URLs rose, fell, changed as decided, came, went, and how many others changed),
        #   steps ([{move, stop_before, stop_after, urls}], most first) and faults ([{code, grade, new, returned, still,
        #   cleared, unchecked}]), groups ([{group, rose, fell, as_decided}]) and fixes ([{id, title, state, why, rose,
        #   fell}], those that were proved or came back in between)
        def call
          steps =
            Postgres::Sql
              .rows(format(COUNTS, @names))
              .reject { |row| row["move"] == "stayed" }
              .sort_by { |row| [-row["urls"], row["move"], row["stop_before"].to_s, row["stop_after"].to_s] }
          {
            moves: MOVES.to_h { |move| [move, steps.sum { |row| (row["move"] == move) ? row["urls"] : 0 }] },
            steps: steps,
            faults: Postgres::Sql.rows(format(FAULTS, @names), [Postgres::Sql.array(@before)]),
            groups: Postgres::Sql.rows(format(GROUPS, @names)),
            fixes: fixes
          }
        end

        # @param move [String] one of MOVES
        # @return [Hash] rows, what matters most first, at most MOST_ROWS, and the number of all
        def urls(move)
          rows = Postgres::Sql.rows(format(ROWS, @names), [move])
          {rows: rows.map { |row| row.except("total") }, total: rows.first&.fetch("total") || 0}
        end

        private

        # Until the next crawl began, what was done counts for this one.
        def following(crawl)
          crawl.site.crawls.where(number: (crawl.number + 1).., scope: Crawling::Crawl::WHOLE).minimum(:created_at) ||
            Time.at(2**40)
        end

        def fixes
          fixes =
            Workplan::Fix
              .of(@site)
              .where(state: EXPLAIN)
              .select { |fix| between?(fix.history.last) }
          moved = moved(fixes.flat_map(&:urls).map { |one| one["url"] }.uniq)
          fixes.map { |fix| explained(fix, moved) }.sort_by { |one| [-one["rose"] - one["fell"], one["id"]] }
        end

        # What a crawl showed is of that crawl, whenever it was worked out.
        def between?(entry) =
          entry["crawl"] ? @numbers.cover?(entry["crawl"]) : @between.cover?(Time.iso8601(entry["at"]))

        def moved(urls)
          ids = urls.map { |url| Core::Url::NormalForm.id(@site.id, url) }
          Postgres::Sql
            .rows(format(MOVED, @names), [Postgres::Sql.array(ids)])
            .to_h { |row| row.values_at("url", "move") }
        end

        def explained(fix, moved)
          moves = fix.urls.map { |one| moved[one["url"]] }.tally
          {
            "id" => fix.name,
            **fix.slice("title", "state"),
            "why" => fix.history.last["why"],
            "rose" => moves.values_at("rose", "as_decided").sum(&:to_i),
            "fell" => moves["fell"].to_i
          }
        end

        def anything_wanted? =
          @names
            .values_at(:new, :old)
            .any? { |ledger| Postgres::Sql.run("SELECT 1 FROM #{ledger} WHERE wanted LIMIT 1").ntuples.positive? }

        def table(parent, which) = Postgres::Partitions.name(parent, @runs[which].id)

        def check(crawl, earlier)
          if crawl.site_id != earlier.site_id
            raise Core::Error::Conflict.new("Only crawls of one site can be compared.")
          end
          if earlier.number >= crawl.number
            raise Core::Error::Conflict.new("A crawl can only be compared with an earlier one.")
          end
          return if @runs.map(&:rules_digest).uniq.size == 1

          raise Core::Error::Conflict.new(
                  "Crawl #{earlier.number} was judged by other rules or limits than crawl #{crawl.number}. Have it " \
                    "judged again, then compare."
                )
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Workplan
      # All that a run of verdicts and the site's decisions give to be mended.
      class Entries
        FAULTS = <<~SQL
          SELECT f.url_id, f.identity::text AS key, f.url, f.code, f.grade, f.about, f.detail, l."group", l.importance,
            (coalesce(l.outside_links, 0) > 0 OR coalesce(l.clicks, 0) > 0) AS brought, l.wanted, l.intent,
            (#{Ledger::Scopes.own_page(of: "l.")}) AS own
          FROM %<faults>s f LEFT JOIN %<ledger>s l ON l.url_id = f.url_id
          ORDER BY f.url COLLATE "C", f.code, f.about COLLATE "C"
        SQL
        HOST = "substring(url FROM '^https?://(?:[^/@]*@)?([^/?#]+)')"
        # What a group that fills the index takes from the pages that should be there.
        MEDIAN = <<~SQL
          SELECT percentile_disc(0.5) WITHIN GROUP (ORDER BY importance) AS median FROM %<ledger>s
          WHERE wanted AND importance IS NOT NULL
        SQL
        PAGES = <<~SQL
          SELECT #{HOST} AS host, "group", count(*) AS pages FROM %<ledger>s
          WHERE status = 200 AND kind = 'html' AND redirect_to IS NULL GROUP BY 1, 2
        SQL
        ROUTES = <<~SQL
          SELECT url_id, url, "group", (#{Ledger::Scopes.own_page}) AS own, importance, redirect_to, status,
            wanted, intent
          FROM %<ledger>s WHERE url_id = ANY($1::bigint[])
        SQL
        LINKED = <<~SQL
          SELECT DISTINCT source_id, target_id FROM %<links>s
          WHERE source_id = ANY($1::bigint[]) AND target_id = ANY($2::bigint[]) AND type = $3
        SQL
        # What fixes that are proved took out of the index.
        CLOSED = <<~SQL
          SELECT DISTINCT one ->> 'url' FROM fixes f, jsonb_array_elements(f.faults) one
          WHERE f.site_id = $1 AND f.state = $2 AND one ->> 'code' = ANY($3::text[]) AND one ->> 'url' IS NOT NULL
        SQL
        CLOSING = %w[stray decided-intent goal-page-open noindex-unseen].freeze
        LEFT_THE_INDEX = <<~SQL
          SELECT url_id, url, "group", (#{Ledger::Scopes.own_page}) AS own, importance FROM %<ledger>s
          WHERE url_id = ANY($1::bigint[]) AND intent = 'keep_out' AND noindex AND robots_allowed
            AND standing = ANY($2::text[])
        SQL
        GRADES = Core::Workplan::Entry::GRADES

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @site = run.crawl.site
          @names = Postgres::Partitions.of_run(run)
          @notes = Core::Faults::Registry.all.select(&:note?).to_h { |rule| [rule.code, true] }
        end

        # @return [Array<Core::Workplan::Entry>]
        def call
          faults = Postgres::Sql.rows(format(FAULTS, @names))
          rows = faults + decided(faults)
          importance = EntryImportance.new(@names, files).of(rows)
          chosen = @site.decisions.values("canonical")
          rows.map { |row| entry(row, importance, chosen) }
        end

        # @return [Hash{Array(String, String) => Integer}] by host and group, how many HTML pages answer 200 themselves
        def pages =
          Postgres::Sql.rows(format(PAGES, @names)).to_h { |row| [row.values_at("host", "group"), row["pages"]] }

        # @return [Hash{String => Boolean}] addresses of sitemap files
        def files =
          Postgres::Sql
            .run("SELECT url FROM sitemap_files WHERE crawl_id = $1", [@run.crawl_id])
            .column_values(0)
            .to_h { |url| [url, true] }

        private

        def entry(row, importance, chosen)
          rule = Core::Faults::Registry.find(row["code"])
          closes = rule ? rule.closes? : row["closes"]
          grade = closes ? Core::Workplan::Worth::WEAKENS : GRADES.fetch(row["grade"])
          Core::Workplan::Entry.new(
            **row.slice("code", "url", "about", "group", "wanted", "intent").transform_keys(&:to_sym),
            grade: @notes.key?(row["code"]) ? 0.0 : grade,
            closes: closes || false,
            importance: row["url"] ? importance.call(row) : median,
            detail: row["detail"] || {},
            chosen: chosen.key?(row["url"]),
            brought: row["brought"] || false,
            key: Core::Faults::Key.in(@site.id, row)
          )
        end

        def median = @median ||= Postgres::Sql.rows(format(MEDIAN, @names)).first["median"].to_f

        # What was decided and isn't so yet; where a fault says the same of a URL that is told already.
        def decided(faults)
          told = faults.to_h { |row| [url_and_kind(row), true] }
          (intents + canonicals + routes).reject { |row| told.key?(url_and_kind(row)) } + reviews + blocks +
            accepted_links
        end

        def url_and_kind(row) = [row["url"], Core::Workplan::Kinds.of(row["code"])]

        def intents =
          directives(%w[noindex], "decided-intent") do |item|
            (item.action == "add") ? {"grade" => "weakens", "closes" => true} : {"grade" => "stops"}
          end

        def canonicals = directives(%w[canonical], "decided-canonical") { {"grade" => "diverts"} }

        def directives(words, code)
          items = (@items ||= Intents::DirectiveList.new(@run).items)
          items
            .select { |item| item.where != "robots.txt" && words.any? { |word| item.text.include?(word) } }
            .uniq(&:url)
            .map { |item| {"url" => item.url, "code" => code, "about" => item.text, **yield(item)} }
            .then { |rows| located(rows) }
        end

        def routes
          routes = @site.decisions.values("route").reject { |_, value| value["refused"] || value["kind"] == "pattern" }
          rows =
            located(
              routes.map do |from, value|
                {"url" => from, "code" => "accepted-route", "grade" => "diverts", "about" => value["to"]}
              end
            )
          rows.reject do |row|
            row["about"] ? row["redirect_to"] == row["about"] : row["status"] == Core::Redirects::Route::GONE
          end
        end

        # Of what was decided of pages one by one the work that no fault tells: what is to be written better, and what
        # goes into another page.
        def reviews
          rows =
            @site
              .decisions
              .values("review")
              .filter_map { |url, value| reviewed(url, *value.values_at("fate", "target")) }
          located(rows).reject { |row| row["code"] == "merge" && row["redirect_to"] == row["about"] }
        end

        def reviewed(url, fate, target)
          case fate
          when "improve"
            {"url" => url, "code" => "improve", "grade" => "weakens", "about" => nil}
          when "merge_into"
            {"url" => url, "code" => "merge", "grade" => "diverts", "about" => target}
          end
        end

        # Links that were accepted and aren't there yet.
        def accepted_links
          wanted =
            @site.decisions.values("link").flat_map do |source, value|
              (value["links"] || []).map do |link|
                {"url" => source, "code" => "accepted-link", "grade" => "weakens", "about" => link["target"]}
              end
            end
          rows = located(wanted)
          pairs = rows.map { |row| [row["url_id"], Core::Url::NormalForm.id(@site.id, row["about"])] }
          there = linked(pairs)
          rows.zip(pairs).filter_map { |row, pair| row unless there.key?(pair) }
        end

        # @return [Hash{Array(Integer, Integer) => true}] those of the pairs of a source and a target that are linked
        def linked(pairs)
          ids = pairs.transpose.map { |some| Postgres::Sql.array(some.uniq) }
          return {} if ids.empty?

          Postgres::Sql
            .rows(format(LINKED, @names), [*ids, Pages::FactsRows::TYPES.fetch("anchor")])
            .to_h { |row| [row.values_at("source_id", "target_id"), true] }
        end

        # What was closed by work that is proved, and is out of the index by its newest word, need not be fetched.
        def blocks
          closed = Postgres::Sql.run(CLOSED, [@site.id, Core::Workplan::States::PROVED, Postgres::Sql.array(CLOSING)])
          ids = closed.column_values(0).map { |url| Core::Url::NormalForm.id(@site.id, url) }
          let_go = Postgres::Sql.array(Core::Evidence::Standing::LET_GO)
          Postgres::Sql
            .rows(format(LEFT_THE_INDEX, @names), [Postgres::Sql.array(ids), let_go])
            .map { |row| row.merge("code" => Core::Workplan::Kinds::BLOCK, "grade" => "weakens", "about" => nil) }
        end

        def located(rows)
          found =
            Postgres::Sql
              .rows(
                format(ROUTES, @names),
                [Postgres::Sql.array(rows.map { |row| Core::Url::NormalForm.id(@site.id, row["url"]) })]
              )
              .to_h { |row| [row["url"], row] }
          rows.filter_map { |row| found[row["url"]]&.merge(row) }
        end
      end
    end
  end
end

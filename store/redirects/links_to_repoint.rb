# frozen_string_literal: true

module IronTrellis
  module Store
    module Redirects
      # Links of the site that go through a redirect or to a missing page: where each stands, what it says, and where it
      # should lead.
      class LinksToRepoint
        LINKS = <<~SQL
          FROM %<links>s k JOIN %<ledger>s t ON t.url_id = k.target_id JOIN %<ledger>s s ON s.url_id = k.source_id
          WHERE k.type = #{Pages::FactsRows::TYPES.fetch("anchor")} AND k.source_id <> k.target_id AND s.kind = 'html'
            AND t.kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}' AND (t.redirect_to IS NOT NULL OR
              #{Ledger::Scopes.missing(of: "t.")})
        SQL
        # The same link, in the same place with the same words, on many pages comes from their template.
        GROUPED = <<~SQL
          SELECT t.url AS target, t.url_id::text AS target_id, t.status, t.final_url, t.final_status, k.text, k.place,
            count(DISTINCT s.url_id) AS pages, count(DISTINCT s."group") AS groups,
            mode() WITHIN GROUP (ORDER BY s."group") AS "group", max(s.importance) AS importance, (array_agg(DISTINCT
              s.url))[1:3] AS samples
          #{LINKS} GROUP BY 1, 2, 3, 4, 5, 6, 7 ORDER BY count(DISTINCT s.url_id) DESC, max(s.importance) DESC NULLS
            LAST, t.url COLLATE "C", k.text LIMIT %<most>d
        SQL
        KINDS = "SELECT count(*) FROM (SELECT DISTINCT k.target_id, k.text, k.place #{LINKS}) kinds"
        EACH =
          "SELECT s.url AS source, k.place, k.text, t.url AS target, t.status, t.final_url, t.final_status #{LINKS} " \
          'ORDER BY s.url COLLATE "C", k.position'
        COLUMNS = %w[source place anchor target status final_target new_target new_anchor].freeze
        LEAST_PAGES = 5
        MOST = 500

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            links: Postgres::Partitions.name("links", run.crawl_id),
            most: MOST
          }
          @decisions = site.decisions.in_force("repoint")
          @chosen = @decisions.transform_values(&:value)
          @table = Core::Redirects::Table.new(RouteMap.new(site, run).flattened)
          @places = Core::Page::Link.places
        end

        # @return [Hash] rows ([{target, target_id, status, text, place, pages, group, samples, template, better,
        #   chosen, decision (its id)}]), what stands on most pages first, at most MOST; the number of all
        #   links, and of all their kinds
        def call
          rows = Postgres::Sql.rows(format(GROUPED, @names)).map do |row|
            row.except("groups", "importance").merge(
              "place" => place(row),
              "template" => row["pages"] >= LEAST_PAGES,
              "better" => better(row),
              "chosen" => @chosen[row["target"]],
              "decision" => @decisions[row["target"]]&.id
            )
          end
          {rows: rows, total: number("SELECT count(*) #{LINKS}"), kinds: number(KINDS)}
        end

        def number(sql) = Postgres::Sql.run(format(sql, @names)).getvalue(0, 0).to_i
        private :number

        # @yieldparam row [Array] by COLUMNS, for editors
        def each
          Postgres::Sql.stream(format(EACH, @names)) do |rows|
            rows.each do |row|
              yield(
                [
                  row["source"],
                  place(row),
                  row["text"],
                  row["target"],
                  row["status"],
                  row["final_url"],
                  better(row),
                  @chosen.dig(row["target"], "text") || row["text"]
                ]
              )
            end
          end
        end

        private

        def place(row) = row["place"] && @places[row["place"]]

        # What was chosen, else where the map leads, else where the redirect ends, if a page is there.
        def better(row)
          @chosen.dig(row["target"], "target") || @table.answer(row["target"])&.target ||
            (row["final_url"] if row["final_status"] == 200 && row["final_url"] != row["target"])
        end
      end
    end
  end
end

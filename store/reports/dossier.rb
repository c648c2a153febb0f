# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Reports
      # Everything that one crawl knows about one URL.
      class Dossier
        # Of the source so much is shown.
        MOST_SOURCE = 500_000
        MOST_LINES = 5_000
        MOST_LINE = 2_000
        MOST_COPIES = 20
        MOST_CRAWLS = 12
        SEEN = %w[status stop title words importance fault_count].freeze

        # @param crawl [Crawling::Crawl] judged
        # @param url_id [Integer]
        # @raise [Core::Error::NotFound]
        def initialize(crawl, url_id)
          @crawl = crawl
          @run = crawl.verdict_run
          @id = url_id
          @row =
            Postgres::Sql.rows(
              "SELECT * FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE url_id = $1",
              [url_id]
            ).first
          raise Core::Error::NotFound.new("Crawl #{crawl.number} knows no such URL.", id: url_id) unless @row
        end

        # @return [Array<Hash>] what each judged crawl of the site saw of the URL, the newest first: crawl, number, at,
        #   status, stop, title, words, importance, fault_count; of a crawl that didn't know it, the first three
        def history
          judged =
            @crawl
              .site
              .crawls
              .where(state: Crawling::Crawl::FINISHED)
              .limit(MOST_CRAWLS)
              .filter_map { |crawl| (run = crawl.verdict_run) && [crawl, run] }
          judged.map do |crawl, run|
            {crawl: crawl.id, number: crawl.number, at: crawl.created_at.iso8601}.merge(seen_in(run) || {})
          end
        end

        # @return [String] the URL
        def address = @row["url"]

        # @return [Hash] the ledger row, the climb rung by rung, hops, directives, canonical marks, headers, faults
        def call
          {
            url: @row.slice(*Ledger::Fields.names).merge("url_id" => @id.to_s),
            climb: @row["climb"],
            hops: hops,
            facts: facts,
            header_lines: header_lines,
            header_marks: Core::Page::DecidingLines.of_headers(header_lines),
            faults: faults,
            clicks: clicks,
            importance_parts: @row["importance_parts"],
            cluster: cluster
          }
        end

        # @return [Hash] lines ([{text, tells}]) of the stored source, and whether it was cut; no lines where none was
        #   stored
        def source
          row =
            Postgres::Sql.rows(
              "SELECT substring(a.body FROM 1 FOR #{MOST_SOURCE + 1}) AS body, p.charset " \
                "FROM #{Postgres::Partitions.name("raw_answers", @crawl.id)} a JOIN " \
                "#{Postgres::Partitions.name("page_facts", @crawl.id)} p USING (url_id) WHERE a.url_id = $1",
              [@id]
            ).first
          return {lines: [], cut: false} unless row&.fetch("body")

          text, = Core::Page::Charset.decode(row["body"].byteslice(0, MOST_SOURCE), row["charset"])
          lines = text.scrub.split(/\r\n|\r|\n/).first(MOST_LINES)
          tells = Core::Page::DecidingLines.of(lines, agent: @crawl.crawl_settings.agent)
          {
            lines: lines.zip(tells).map { |line, told| {text: line[0, MOST_LINE], tells: told} },
            cut: row["body"].bytesize > MOST_SOURCE
          }
        end

        private

        def seen_in(run) =
          Postgres::Sql.rows(
            "SELECT #{SEEN.join(", ")} FROM #{Postgres::Partitions.name("ledger_rows", run.id)} WHERE url_id = $1",
            [@id]
          ).first

        # The redirect path with what each hop answered.
        def hops
          chain = @row["redirect_chain"]
          return [] if chain.empty? && @row["redirect_to"].nil?

          statuses =
            Postgres::Sql
              .rows(
                "SELECT url_id, url, status FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE url = " \
                "ANY($1::text[])",
                [Postgres::Sql.array([@row["url"], *chain])]
              )
              .to_h { |row| [row["url"], row] }
          [@row["url"], *chain].map do |url|
            {url: url, url_id: statuses.dig(url, "url_id")&.to_s, status: statuses.dig(url, "status")}
          end
        end

        def facts
          row = Postgres::Sql.rows(<<~SQL, [@id]).first
            SELECT fetched_at, robots_rule, error_detail, charset, refresh_to, refresh_source, directives,
              canonical_marks, hreflang, titles, viewport, outline, open_graph, data, data_problems
            FROM #{Postgres::Partitions.name("page_facts", @crawl.id)} WHERE url_id = $1
          SQL
          row&.merge("fetched_at" => row["fetched_at"]&.iso8601(3))
        end

        # The page that stands for the copies, and the others of its cluster.
        def cluster
          return if @row["copies"].to_i.zero?

          stands = @row["copy_of"] || @row["url"]
          rows =
            Postgres::Sql.rows(
              "SELECT url_id::text AS url_id, url, similarity " \
              "FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} WHERE (url = $1 OR copy_of = $1) AND url_id " \
              "<> $2 ORDER BY copy_of NULLS FIRST, similarity DESC, url LIMIT #{MOST_COPIES}",
              [stands, @id]
            )
          {stands: stands, others: rows, total: @row["copies"]}
        end

        def header_lines
          @header_lines ||=
            Postgres::Sql
              .rows(
                "SELECT header_lines FROM #{Postgres::Partitions.name("raw_answers", @crawl.id)} WHERE url_id = $1",
                [@id]
              )
              .first
              &.fetch("header_lines")
              .to_s
              .split("\n")
        end

        def faults
          Postgres::Sql
            .rows(
              "SELECT code, grade, about, detail FROM #{Postgres::Partitions.name("faults", @run.id)} WHERE url_id = " \
              "$1 ORDER BY array_position(ARRAY['#{Core::Faults::Rule::GRADES.join("', '")}'], grade), code, about",
              [@id]
            )
            .map do |row|
              rule = Core::Faults::Registry.fetch(row["code"])
              row.slice("code", "grade", "about").merge(
                "title" => rule.title,
                "details" => Core::Faults::Details.of(rule, row["about"], row["detail"]).map(&:to_h),
                "why" => rule::WHY,
                "fix" => rule::FIX,
                "source" => rule::SOURCE
              )
            end
        end

        # The shortest way from a start: at each page, a linking page that is one click nearer.
        NEARER = <<~SQL
          SELECT l.url_id, l.url, l.depth FROM %<links>s k JOIN %<ledger>s l ON l.url_id = k.source_id
          WHERE k.target_id = $1 AND (k.followed AND k.type IN (0, 4, 8) AND l.depth = $2 - 1 OR k.type IN (7, 8) AND
            l.depth = $2 AND k.source_id <> $1 AND l.redirect_to IS NOT NULL)
          ORDER BY l.depth, l.url LIMIT 1
        SQL

        def clicks
          path = [{url: @row["url"], url_id: @id.to_s}]
          id, depth = @id, @row["depth"]
          while depth && (depth.positive? || path.size == 1) && path.size < 60
            step =
              Postgres::Sql.rows(
                format(
                  NEARER,
                  links: Postgres::Partitions.name("links", @crawl.id),
                  ledger: Postgres::Partitions.name("ledger_rows", @run.id)
                ),
                [id, depth]
              ).first or break
            break if path.any? { |one| one[:url_id] == step["url_id"].to_s }

            path.unshift({url: step["url"], url_id: step["url_id"].to_s})
            id, depth = step.values_at("url_id", "depth")
          end
          depth ? path : []
        end
      end
    end
  end
end

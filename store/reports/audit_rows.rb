# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # Reads one judged crawl in the form of the audit's files (formats: urls.jsonl, links.jsonl, faults.jsonl).
      class AuditRows
        URL_FIELDS = %w[
          url
          kind
          status
          error
          content_type
          bytes
          response_ms
          depth
          found_by
          robots_allowed
          robots_line
          redirect_to
          redirect_chain
          final_url
          final_status
          noindex
          nofollow
          directives
          canonical
          canonical_source
          canonical_state
          hreflang
          lang
          title
          title_chars
          description
          description_chars
          h1
          words
          links_in
          links_out_internal
          links_out_external
          images
          images_without_alt
          in_sitemaps
          group
          template
          intent
          importance
          authority
          indexable
          stop
          stop_reason
          faults
        ].freeze
        NOT_FETCHED = Ledger::Scopes.never_fetched
        SUMS = {
          "by_status" => "coalesce(status::text, coalesce(error, 'not fetched'))",
          "by_stop" => "CASE WHEN #{NOT_FETCHED} THEN 'not_fetched' ELSE coalesce(stop, 'none') END",
          "by_group" => '"group"'
        }.freeze

        READ_AND_CLOSED = <<~SQL
          SELECT count(*) FILTER (WHERE kind = 'html' AND status = 200) AS read, count(*) FILTER (WHERE kind IS DISTINCT
            FROM '#{Core::Page::Kind::EXTERNAL}' AND (unfetched = 'nofollow' OR robots_allowed = false)) AS closed
          FROM ledger_rows_%d
        SQL

        # PostgreSQL knows no \v.
        SPACES = "E' \\t\\n\\x0B\\f\\r'"

        # Only what is the site's is on its ladder and in its groups.
        OURS =
          %w[by_stop by_group].to_h { |name| [name, "kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}'"] }.freeze

        # @param crawl [Crawling::Crawl]
        # @param run [Judging::VerdictRun, nil] nil where only links are wanted
        def initialize(crawl, run)
          @crawl = crawl
          @run = run
        end

        # @yieldparam row [Hash{String => Object}] keys in the order of the format
        def urls
          Postgres::Sql.stream(<<~SQL) { |rows| rows.each { |row| yield url(row) } }
            SELECT l.*, p.directives, p.hreflang, s.alternates
            FROM #{Postgres::Partitions.name("ledger_rows", @run.id)} l
            LEFT JOIN #{Postgres::Partitions.name("page_facts", @crawl.id)} p USING (url_id)
            LEFT JOIN (SELECT url_id, jsonb_agg(alternates) AS alternates FROM
              #{Postgres::Partitions.name("sitemap_entries", @crawl.id)}
              WHERE alternates IS NOT NULL GROUP BY url_id) s USING (url_id)
            ORDER BY l.url COLLATE "C"
          SQL
        end

        # Written by the database: there are many of them, and nothing in them waits for verdicts.
        #
        # @yieldparam line [String] of JSON, with its end
        def links(&block)
          Postgres::Sql.each_line(<<~SQL, &block)
            SELECT row_to_json(one) FROM (
              SELECT s.url AS source, t.url AS target, #{name_of("k.type", Core::Page::Link.types)} AS type, k.text,
                CASE WHEN btrim(k.rel, #{SPACES}) <> '' THEN
                  to_json(regexp_split_to_array(btrim(k.rel, #{SPACES}), '[' || #{SPACES} || ']+'))
                  ELSE '[]' END AS rel,
                #{name_of("k.place", Core::Page::Link.places)} AS place, k.followed
              FROM #{Postgres::Partitions.name("links", @crawl.id)} k JOIN urls s ON s.id = k.source_id JOIN urls t ON
                t.id = k.target_id
              ORDER BY s.url COLLATE "C", k.position
            ) one
          SQL
        end

        # @yieldparam row [Hash{String => Object}]
        def faults
          Postgres::Sql.stream(
            "SELECT code, grade, url, about, detail FROM #{Postgres::Partitions.name("faults", @run.id)} " \
            'ORDER BY code, url COLLATE "C", about COLLATE "C"'
          ) { |rows| rows.each { |row| yield row } }
        end

        # @return [Hash{String => Object}] how many URLs there are, by status, stop and group, and with each fault
        def sums
          table = Postgres::Partitions.name("ledger_rows", @run.id)
          counted =
            SUMS.to_h do |name, value|
              [
                name,
                count(
                  "SELECT #{value} AS key, count(*) FROM #{table} WHERE #{OURS.fetch(name, "true")} GROUP BY 1 ORDER " \
                  "BY 1"
                )
              ]
            end
          counted.merge(
            "urls" => count("SELECT 'all' AS key, count(*) FROM #{table}")["all"],
            "faults" =>
              count(
                "SELECT code AS key, count(DISTINCT url_id) " \
                "FROM #{Postgres::Partitions.name("faults", @run.id)} GROUP BY 1 ORDER BY 1"
              )
          )
        end

        # @return [Array(Integer, Integer)] pages that were read, and URLs that robots.txt or nofollow closed
        def read_and_closed = Postgres::Sql.rows(format(READ_AND_CLOSED, @run.id)).first.values

        private

        def count(sql) = Postgres::Sql.rows(sql).to_h { |row| [row["key"], row["count"]] }

        def url(row)
          row["directives"] = (row["directives"] || []).map { |one| one.slice("source", "agent", "tokens") }
          row["hreflang"] = ((row["hreflang"] || []) + (row["alternates"] || []).flatten)
            .map { |one| one.slice("code", "url", "source") }
            .uniq
          fields.to_h { |field| [field, row[field]] }
        end

        # Only a crawl that renders pages tells of each whether it did.
        def fields
          @fields ||= @crawl.renders? ? [*URL_FIELDS, "rendered"] : URL_FIELDS
        end

        def name_of(column, names) = "(ARRAY[#{names.map { |name| "'#{name}'" }.join(", ")}])[#{column} + 1]"
      end
    end
  end
end

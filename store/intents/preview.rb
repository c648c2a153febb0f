# frozen_string_literal: true

module IronTrellis
  module Store
    module Intents
      # What other intents would change on the pages that a run knows, before they are decided.
      class Preview
        PAGES = <<~SQL
          SELECT url_id, url, noindex, indexable, status = 200 AND redirect_to IS NULL AS direct,
            cardinality(in_sitemaps) > 0 AS listed, importance, intent, #{Ledger::Scopes.listable} AS listable FROM
              %<ledger>s
          WHERE #{Ledger::Scopes.document}
        SQL
        THESE = "#{PAGES} AND url_id = ANY($1::bigint[])".freeze
        LINK =
          "k.type = #{Pages::FactsRows::TYPES.fetch("anchor")} AND k.followed AND k.source_id <> k.target_id".freeze
        # Of a page that is linked to from more places than these not all will be kept out.
        MOST_SOURCES = 200
        # One source of each page that would be kept out, and all of those that such pages link to.
        LINKED = <<~SQL
          WITH out AS MATERIALIZED (SELECT unnest($1::bigint[]) AS id),
            reached AS MATERIALIZED (SELECT DISTINCT k.target_id AS id FROM %<links>s k JOIN out ON out.id = k.source_id
              WHERE #{LINK} AND k.target_id NOT IN (SELECT id FROM out))
          SELECT k.target_id, array_agg(DISTINCT k.source_id) AS sources FROM %<links>s k JOIN reached ON reached.id =
            k.target_id WHERE #{LINK} GROUP BY 1 HAVING count(DISTINCT k.source_id) <= #{MOST_SOURCES}
          UNION ALL
          SELECT k.target_id, ARRAY[min(k.source_id)] FROM %<links>s k JOIN out ON out.id = k.target_id WHERE #{LINK}
            GROUP BY 1
        SQL
        MOST_ROWS = 100

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        def initialize(run, site)
          @names = {
            ledger: Postgres::Partitions.name("ledger_rows", run.id),
            links: Postgres::Partitions.name("links", run.crawl_id)
          }
          @site = site
        end

        # @param values [Array<Hash>] {"kind", "subject", "value"} of intents and groups
        # @return [Hash{Symbol => Hash}] by what would change the number of URLs and the first of them ({url_id, url,
        #   importance})
        # @raise [Core::Error::InvalidInput]
        def call(values)
          @intent_rules = rules_with(values)
          @found = Core::Intents::Change.names.to_h do |name|
            [name, Core::Ledger::Weightiest.new(MOST_ROWS) { |_, page| [page.importance, page.url] }]
          end
          out = look_at_pages
          look_at_links(out) if out.any?
          @found.transform_values { |found| {total: found.total, rows: found.rows.map { |id, page| build(id, page) }} }
        end

        private

        def rules_with(values)
          current = {"intent" => @site.decisions.values("intent"), "group" => @site.decisions.values("group")}
          values.each do |one|
            subject, value = Core::Decisions::Registry.read(one["kind"], one["subject"], one["value"])
            current.fetch(one["kind"]) do
              raise Core::Error::InvalidInput.new("Only intents can be tried, not “#{one["kind"]}”.")
            end
            current[one["kind"]] = current[one["kind"]].except(subject).merge(value ? {subject => value} : {})
          end
          Core::Groups::Intents.new(
            grouping: @site.grouping,
            rules: current["intent"],
            groups: current["group"],
            key_pages: @site.key_pages.pluck(:url)
          )
        end

        # @return [Array<Integer>] ids of what would be kept out and isn't yet
        def look_at_pages
          [].tap do |out|
            Postgres::Sql.stream(format(PAGES, @names)) do |rows|
              rows.each do |row|
                page = page(row)
                tell(row["url_id"], page, Core::Intents::Change.of(page))
                out << row["url_id"] if Core::Intents::Change.newly_out?(page)
              end
            end
          end
        end

        def look_at_links(out)
          Postgres::Sql.stream(format(LINKED, @names), [Postgres::Sql.array(out)], portion: 1000) do |rows|
            pages = pages(rows.flat_map { |row| [row["target_id"], *row["sources"]] }.uniq)
            rows.each do |row|
              page = pages[row["target_id"]] or next
              sources = row["sources"].filter_map { |id| pages[id] }
              tell(row["target_id"], page, Core::Intents::Change.reached(page, sources))
            end
          end
        end

        def tell(id, page, names) = names.each { |name| @found.fetch(name) << [id, page] }

        def pages(ids)
          rows = Postgres::Sql.rows(format(THESE, @names), [Postgres::Sql.array(ids)])
          rows.to_h { |row| [row["url_id"], page(row)] }
        end

        def page(row)
          url, before, listed = row.values_at("url", "intent", "listed")
          after = @intent_rules.of(url)
          Core::Intents::Change::Page.new(
            **row.slice("url", "noindex", "indexable", "direct", "listed", "listable", "importance")
              .transform_keys(&:to_sym),
            before: before,
            after: after,
            wanted_after: @intent_rules.wanted?(url, listed: listed, intent: after)
          )
        end

        def build(id, page) = {url_id: id.to_s, url: page.url, importance: page.importance}
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Intents
      # What other wishes would change on the pages that a run knows, before they are decided.
      class Preview
        PAGES = <<~SQL
          SELECT url_id, url, noindex, indexable, status = 200 AND redirect_to IS NULL AS direct,
            cardinality(in_sitemaps) > 0 AS listed, importance, intent, #{Ledger::Scopes.listable} AS listable FROM
              %<ledger>s
          WHERE #{Ledger::Scopes.document} ORDER BY url_id
        SQL
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
          wishes = wishes_with(values)
          rows = Postgres::Sql.rows(format(PAGES, @names))
          pages = rows.to_h { |row| [row["url_id"], page(row, wishes)] }
          Core::Intents::Change.new(pages.values, linked(pages)).call.transform_values { |found| told(found, pages) }
        end

        private

        def wishes_with(values)
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

        def page(row, wishes)
          url, before, listed = row.values_at("url", "intent", "listed")
          after = wishes.of(url)
          wanted = wishes.wanted?(url, listed: listed, intent: after)
          Core::Intents::Change::Page.new(
            url: url,
            before: before,
            after: after,
            wanted_after: wanted,
            noindex: row["noindex"],
            indexable: row["indexable"],
            direct: row["direct"],
            listed: listed,
            listable: row["listable"],
            importance: row["importance"]
          )
        end

        def linked(pages)
          out = pages.select { |_, page| page.after == "keep_out" && page.before != "keep_out" }.keys
          return {} if out.empty?

          Postgres::Sql
            .rows(format(LINKED, @names), [Postgres::Sql.array(out)])
            .to_h { |row| [pages[row["target_id"]]&.url, row["sources"].filter_map { |id| pages[id]&.url }] }
            .except(nil)
        end

        def told(found, pages)
          ids = pages.to_h { |id, page| [page.url, id.to_s] }
          {
            total: found.size,
            rows:
              found
                .first(MOST_ROWS)
                .map { |page| {url_id: ids[page.url], url: page.url, importance: page.importance} }
          }
        end
      end
    end
  end
end

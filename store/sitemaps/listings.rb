# frozen_string_literal: true

module IronTrellis
  module Store
    module Sitemaps
      # What a set of sitemaps shall list, URL by URL in the order of hosts and groups, with what is known of each.
      class Listings
        # One URL with where it goes: the origin and the group.
        Row = Struct.new(:origin, :group, :listing, keyword_init: true)

        PAGES = <<~SQL
          SELECT l.url_id, l.url, l."group", l.lang, f.data, i.images FROM %<ledger>s l LEFT JOIN %<page_facts>s f USING
            (url_id)
          LEFT JOIN LATERAL (
            SELECT array_agg(DISTINCT t.url ORDER BY t.url) AS images FROM %<links>s k JOIN %<ledger>s t ON t.url_id =
              k.target_id
            WHERE k.source_id = l.url_id AND k.type = #{Pages::FactsRows::TYPES.fetch("image")} AND t.status = 200 AND
              k.place IS DISTINCT FROM %<nav>d AND k.place IS DISTINCT FROM %<header>d AND k.place IS DISTINCT FROM
                %<footer>d AND %<with_images>s
          ) i ON true
          WHERE %<right>s ORDER BY regexp_replace(l.url, '^(https?://[^/]+)/.*$', '\\1') COLLATE "C", l."group" COLLATE
            "C", l.url COLLATE "C"
        SQL

        # @param run [Judging::VerdictRun]
        # @param site [Sites::Site]
        # @param plan [Hash] see Core::Decisions::Kinds::Sitemaps::PLAN
        # @param now [Time]
        # @param soon [Array<String>] codes of faults that keep a wanted page out, and are mended before
        # @param own [Array<Integer>] ids of pages that name another canonical now, and will name themselves
        def initialize(run, site, plan, now, soon: [], own: [])
          places = Core::Page::Link.places
          @names =
            Postgres::Partitions.of_run(run).merge(
              with_images: plan["images"].to_s,
              right: format(right(plan, soon, own), faults: Postgres::Partitions.name("faults", run.id)),
              **%w[nav header footer].to_h { |name| [name.to_sym, places.index(name)] }
            )
          @dates = ChangeDates.new(run).call
          @sets = plan["languages"] ? Languages::LanguageSets.new(run, site).by_url : {}
          @plan = plan
          @now = now
        end

        # @yieldparam row [Row]
        # @return [void]
        def each
          Postgres::Sql.stream(format(PAGES, @names), portion: 500) { |rows| rows.each { |row| yield build(row) } }
        end

        private

        # What belongs there, and what will when these faults are gone.
        def right(plan, soon, own)
          belongs = Ledger::Scopes.belongs_in_sitemaps(pdfs: plan["pdfs"], of: "l.")
          return belongs if soon.empty?

          codes = "'#{Postgres::Sql.array(soon)}'::text[]"
          "(#{belongs} OR l.wanted AND l.kind = 'html' AND l.status = 200 AND l.redirect_to IS NULL AND " \
          "(l.chosen_canonical IS NULL OR l.chosen_canonical = l.url) AND l.stop IN ('open', 'own') AND " \
          "(l.url_id = ANY('#{Postgres::Sql.array(own)}'::bigint[]) OR l.stop = 'open' AND EXISTS (SELECT 1 FROM " \
          "%<faults>s o WHERE o.url_id = l.url_id AND o.code = ANY(#{codes}))))"
        end

        def build(row)
          items = (row["data"] || []).map { |one| Core::StructuredData::Item.from(one) }
          Row.new(
            origin: row["url"][%r{\Ahttps?://[^/]+}],
            group: row["group"],
            listing:
              Core::Sitemaps::Listing.new(
                url: row["url"],
                lastmod: @dates[row["url_id"]],
                images: row["images"],
                alternates: @sets[row["url"]]&.map { |code, url| {code: code, url: url} },
                priority: @plan["priority"][row["group"]],
                changefreq: @plan["changefreq"][row["group"]],
                video: Core::Sitemaps::FromData.video(items),
                news: Core::Sitemaps::FromData.news(items, row["lang"], @now)
              )
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # Reads the facts of one crawl for judging, joined with what its links come to. It works beside a run of its own,
      # whose tables it makes and drops.
      class FactsTables
        include FactsSql

        FOUND_BY =
          {
            "link" => %w[anchor frame image script style],
            "redirect" => %w[redirect refresh],
            "canonical" => %w[canonical],
            "hreflang" => %w[hreflang]
          }.transform_values { |names| names.sum { |name| 1 << TYPES.fetch(name) } }.freeze
        EMBEDDED = EMBEDS.sum { |name| 1 << TYPES.fetch(name) }

        # @return [Array<Hash>] what authority flows between page groups, {from, to, links, share}; none of a crawl of a
        #   list
        attr_reader :flow

        # @param crawl [Crawling::Crawl]
        # @param intent_rules [Core::Groups::Intents]
        # @param basis [Core::Evidence::Basis]
        def initialize(crawl, intent_rules, basis)
          @crawl = crawl
          @intent_rules = intent_rules
          @basis = basis
          @flow = []
          @names =
            Postgres::Partitions.of_crawl(crawl.id).merge(
              (TABLES.keys + GRAPH).to_h { |name| [name.to_sym, "judging_#{name}_#{crawl.id}"] }
            )
        end

        # Makes the tables, for as long as the block runs.
        #
        # @return [Object] what the block gives
        def prepared
          drop
          Postgres::Concurrently.call(-> { TABLES.each { |name, sql| make(name, format(sql, @names)) } }) { make_graph }
          make("ranks", format(RANKS, @names))
          make_evidence
          yield
        ensure
          drop
        end

        # Every URL of the crawl with the facts of its answer, if it had one.
        #
        # @yieldparam rows [Array<Hash>]
        def urls(&block) = Postgres::Sql.stream(format(URLS, @names), portion: 1000, &block)

        # URLs that only evidence knows: of a crawl of the whole site.
        #
        # @yieldparam rows [Array<Hash>] what evidence says of each, and its live_status
        # @return [void]
        def only_evidence(&block)
          return unless @crawl.whole? && @basis.any?

          Postgres::Sql.stream(format(ONLY_EVIDENCE, @names.merge(site: @crawl.site_id)), portion: 1000, &block)
        end

        # @return [String] the table of what evidence says
        def evidence = @names.fetch(:evidence)

        # @return [Hash{Integer => Array(Integer, String)}] by id, the id and the address of the next hop
        def hops =
          Postgres::Sql.rows(format(HOPS, @names)).to_h { |row| [row["url_id"], [row["next_id"], row["next_url"]]] }

        # @return [Hash{String => String}] by address, the other page that it names as its canonical
        def canonicals = Postgres::Sql.run(format(CANONICALS, @names)).values.to_h

        # @return [Boolean] whether the site has a sitemap that could be read
        def sitemaps? = self.class.sitemaps?(@crawl.id)

        # @param crawl_id [Integer]
        # @return [Boolean]
        def self.sitemaps?(crawl_id) =
          Postgres::Sql
            .run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND entries > 0 LIMIT 1", [crawl_id])
            .ntuples
            .positive?

        # @param ids [Array<Integer>]
        # @return [Hash{Integer => Integer}] statuses
        def statuses(ids)
          Postgres::Sql
            .rows(
              "SELECT url_id, status FROM #{@names[:page_facts]} WHERE url_id = ANY($1::bigint[])",
              [Postgres::Sql.array(ids)]
            )
            .to_h { |row| [row["url_id"], row["status"]] }
        end

        # @return [Hash{String => String}] by origin, why its robots.txt could not be read, of those where it couldn't
        def robots_failures
          Robots::RobotsFiles.all(@crawl.id).filter_map { |row|
            why = Core::Robots::Failure.words(
              **row.slice("status", "error").transform_keys(&:to_sym),
              detail: row["error_detail"]
            )
            [row["origin"], why] if why
          }.to_h
        end

        # @param agent [String]
        # @return [Hash{String => Core::Robots::Policy}] by origin, what its robots.txt says to that agent
        def policies(agent) = Robots::RobotsFiles.policies(@crawl.id, agent)

        # @param authorities [Array<String>]
        # @return [Hash{String => String}] by authority, the text of its home page
        def homes(authorities) =
          Postgres::Sql.run(format(HOMES, @names), [Postgres::Sql.array(authorities)]).values.to_h

        # @return [Array<Integer>] how long the pages took that were asked again, in milliseconds
        def asked_again =
          Postgres::Sql
            .run("SELECT again_ms FROM #{@names[:page_facts]} WHERE again_ms IS NOT NULL")
            .column_values(0)
            .map(&:to_i)

        # @return [Hash{String => Hash}] by authority: what it answers for a page that isn't there, where it says it
        #   were: url, title, text, outline, frames, menus
        def missing_pages = Crawling::Probes.new(@crawl).answering

        # @param authorities [Array<String>]
        # @yieldparam rows [Array<Hash>] url_id, url, text, frames, menus, outline, title, authority of pages that
        #   answer 200
        def texts(authorities, &block) =
          Postgres::Sql.stream(format(TEXTS, @names), [Postgres::Sql.array(authorities)], portion: 200, &block)

        private

        def start_ids = @crawl.crawl_settings.first_urls.map { |url| Core::Url::NormalForm.id(@crawl.site_id, url) }

        # What is made next is joined with it.
        def make(name, sql)
          Postgres::Sql.raw.exec("CREATE UNLOGGED TABLE #{@names[name.to_sym]} AS #{sql}")
          analyze(name)
        end

        def analyze(name) = Postgres::Sql.raw.exec("ANALYZE #{@names[name.to_sym]}")

        # A crawl of a list knows nothing of the graph.
        def make_graph
          make(
            "graph",
            "SELECT NULL::bigint AS url_id, NULL::integer AS depth, NULL::double precision AS authority WHERE false"
          )
          if @crawl.whole?
            graph = Judging::CrawlGraph.new(@crawl)
            depths, authority = graph.depths(start_ids), graph.authority
            @flow = graph.flow(groups(authority.keys))
            Postgres::BulkCopy.new(@names[:graph], %w[url_id depth authority]).call(
              @names[:graph],
              (depths.keys | authority.keys).map { |id| [id, depths[id], authority[id]] }
            )
            analyze("graph")
          end
        end

        def make_evidence
          make("evidence", Evidence::EvidenceByUrl.new(@crawl.site, @basis).sql)
          ranks = {
            record: rank("clicks", @basis.any_record),
            impressions: rank("impressions", @basis.any_record),
            outside: rank("outside_links", @basis.any_links)
          }
          make("evidence_ranks", "#{format(EVIDENCE_RANKS, @names.merge(ranks))} #{"LIMIT 0" unless @basis.any?}")
        end

        def rank(column, known) = known ? format(RANK, column) : "NULL::double precision"

        def groups(ids)
          Postgres::Sql
            .rows(
              "SELECT url_id, url FROM #{@names[:frontier]} WHERE url_id = ANY($1::bigint[])",
              [Postgres::Sql.array(ids)]
            )
            .to_h { |row| [row["url_id"], @intent_rules.group(row["url"])] }
        end

        def drop =
          (TABLES.keys + GRAPH).each { |name| Postgres::Sql.raw.exec("DROP TABLE IF EXISTS #{@names[name.to_sym]}") }
      end
    end
  end
end

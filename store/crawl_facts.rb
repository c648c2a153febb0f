# frozen_string_literal: true

module IronTrellis
  module Store
    # Reads the facts of one crawl for judging.
    class CrawlFacts
      TYPES = Core::Page::Link.types.each_with_index.to_h.freeze
      CLICKS = TYPES.values_at("anchor", "frame", "refresh").freeze
      FOUND_BY = {
        "link" => TYPES.values_at("anchor", "frame", "image", "script", "style"), "redirect" => TYPES.values_at("redirect", "refresh"),
        "canonical" => TYPES.values_at("canonical"), "hreflang" => TYPES.values_at("hreflang")
      }.freeze
      EMBEDDED = TYPES.values_at("image", "script", "style").freeze

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
        @links = Partitions.name("links", crawl.id)
      end

      # Every URL in the scope of the crawl with the facts of its answer, if it had one.
      #
      # @yieldparam rows [Array<Hash>]
      def urls(&block)
        Sql.stream(<<~SQL, &block)
          SELECT p.*, f.url_id, f.url, f.purpose, f.state
          FROM #{Partitions.name("frontier", @crawl.id)} f LEFT JOIN #{Partitions.name("page_facts", @crawl.id)} p ON p.url_id = f.url_id
        SQL
      end

      # @return [Hash{Integer => Array<Integer>}] followed clicks out of each page
      def clicks
        adjacency = Hash.new { |links, source| links[source] = [] }
        Sql.stream("SELECT DISTINCT source_id, target_id FROM #{@links} WHERE internal AND followed AND source_id <> target_id AND type = ANY($1::smallint[])",
          [Sql.array(CLICKS)], portion: 50_000) do |rows|
          rows.each { |row| adjacency[row["source_id"]] << row["target_id"] }
        end
        adjacency.default = nil
        adjacency
      end

      # @return [Hash{Integer => Hash}] by target: links_in (distinct linking pages) and followed_in
      def links_in
        by_id("target_id", <<~SQL)
          SELECT target_id, count(DISTINCT source_id) AS links_in, count(DISTINCT source_id) FILTER (WHERE followed) AS followed_in
          FROM #{@links} WHERE type = #{TYPES["anchor"]} AND internal AND source_id <> target_id GROUP BY target_id
        SQL
      end

      # @return [Hash{Integer => Hash}] by source: links_out_internal and links_out_external (distinct targets)
      def links_out
        by_id("source_id", <<~SQL)
          SELECT source_id, count(DISTINCT target_id) FILTER (WHERE internal) AS links_out_internal,
            count(DISTINCT target_id) FILTER (WHERE NOT internal) AS links_out_external
          FROM #{@links} WHERE type = #{TYPES["anchor"]} AND source_id <> target_id GROUP BY source_id
        SQL
      end

      # @return [Hash{Integer => Array<Integer>}] the link types by which each URL was found
      def types_in
        by_id("target_id", "SELECT target_id, array_agg(DISTINCT type) AS types FROM #{@links} WHERE source_id <> target_id GROUP BY target_id")
          .transform_values { |row| row["types"] }
      end

      # @return [Hash{Integer => Array<String>}] the sitemaps that list each URL, sorted
      def sitemaps
        by_id("url_id", <<~SQL).transform_values { |row| row["files"] }
          SELECT e.url_id, array_agg(DISTINCT s.url ORDER BY s.url) AS files
          FROM #{Partitions.name("sitemap_entries", @crawl.id)} e JOIN sitemap_files s ON s.id = e.sitemap_file_id GROUP BY e.url_id
        SQL
      end

      # @return [Hash{String => Boolean}] by origin, whether its robots.txt could be read
      def robots_reachable
        RobotsFiles.all(@crawl.id).to_h { |row| [row["origin"], row["error"].nil? && row["status"].to_i < 500] }
      end

      # @param target_ids [Array<Integer>]
      # @param types [Array<String>]
      # @return [Array<Hash>] source_id, target_id, and links: [{text, place}] in order
      def links_to(target_ids, types)
        Sql.rows(<<~SQL, [Sql.array(target_ids), Sql.array(types.map { |type| TYPES.fetch(type) })])
          SELECT source_id, target_id, json_agg(json_build_object('text', text, 'place', place) ORDER BY position) AS links
          FROM #{@links} WHERE target_id = ANY($1::bigint[]) AND type = ANY($2::smallint[]) AND source_id <> target_id
          GROUP BY source_id, target_id ORDER BY source_id, target_id
        SQL
      end

      private

      def by_id(column, sql) = Sql.rows(sql).to_h { |row| [row[column], row] }
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    # What rules ask of the staged rows of a run, picked by the database: groups with what is usual in them, links to suspect targets,
    # pages that share a value.
    class StagedRows
      SUBJECT = %w[url_id url kind status error redirect_to redirect_chain final_url final_status title description h1 words group intent wanted indexable noindex canonical robots_allowed robots_line].freeze
      PAGE = "kind = 'html' AND indexable"
      SUSPECT = {
        missing: "t.status BETWEEN 400 AND 499", failing: "(t.status >= 500 OR t.status IS NULL AND t.error IS NOT NULL)", redirecting: "t.redirect_to IS NOT NULL",
        noindexed: "t.noindex", blocked: "t.robots_allowed IS FALSE",
        diverted: "t.canonical_state = 'other'", unanswering: "t.kind = 'html' AND t.status BETWEEN 200 AND 299"
      }.freeze
      SHARED = {title: "title", description: "description", h1: "h1[1]"}.freeze

      # @param stage [String] the table
      # @param crawl [Crawl]
      def initialize(stage, crawl)
        @stage = stage
        @links = Partitions.name("links", crawl.id)
        @frontier = Partitions.name("frontier", crawl.id)
        @page_facts = Partitions.name("page_facts", crawl.id)
        @sitemap_entries = Partitions.name("sitemap_entries", crawl.id)
      end

      # @param least [Integer] pages a group must have to have a median
      # @yieldparam rows [Array<Hash>] pages that may be indexed, each with the median of its group's words
      def with_medians(least, &block)
        Sql.stream(<<~SQL, [least], &block)
          SELECT #{columns("s")}, m.median AS group_median_words FROM #{@stage} s
          LEFT JOIN (SELECT "group", percentile_cont(0.5) WITHIN GROUP (ORDER BY words) AS median FROM #{@stage}
            WHERE #{PAGE} AND words IS NOT NULL GROUP BY "group" HAVING count(*) >= $1) m USING ("group")
          WHERE #{PAGE} AND words IS NOT NULL
        SQL
      end

      # @param targets [Symbol] which are suspect
      # @param types [Array<String>] of links
      # @yieldparam rows [Array<Hash>] columns of the linking page, those of the target under "target", and links: [{text, place}] in order
      def links_to(targets, types, &block)
        Sql.stream(<<~SQL, [Sql.array(types.map { |type| FactsRows::TYPES.fetch(type) })], portion: 500, &block)
          SELECT #{columns("s")}, row_to_json(t) AS target, k.links FROM (
            SELECT source_id, target_id, json_agg(json_build_object('text', text, 'place', place) ORDER BY position) AS links FROM #{@links} k
            WHERE type = ANY($1::smallint[]) AND source_id <> target_id AND target_id IN (SELECT t.url_id FROM #{target_rows(targets)})
            #{"AND #{no_return}" if targets == :unanswering} GROUP BY source_id, target_id
          ) k JOIN #{@stage} s ON s.url_id = k.source_id JOIN #{target_rows(targets)} ON t.url_id = k.target_id
        SQL
      end

      # @param field [Symbol] one of SHARED
      # @yieldparam rows [Array<Hash>] pages that share its value with others, with "shared_value", "shared_pages", "shared_first" and "shared_second"
      def sharing(field, &block)
        Sql.stream(<<~SQL, &block)
          SELECT * FROM (
            SELECT #{columns("s")}, value AS shared_value, count(*) OVER of_value AS shared_pages, first_value(url) OVER of_value AS shared_first, nth_value(url, 2) OVER of_value AS shared_second
            FROM (SELECT *, #{SHARED.fetch(field)} AS value FROM #{@stage}) s WHERE #{PAGE} AND coalesce(value, '') <> ''
            WINDOW of_value AS (PARTITION BY value ORDER BY url COLLATE "C" ROWS BETWEEN UNBOUNDED PRECEDING AND UNBOUNDED FOLLOWING)
          ) pages WHERE shared_pages > 1
        SQL
      end

      private

      # A sitemap may give what the page itself doesn't.
      def no_return
        "NOT EXISTS (SELECT 1 FROM #{@links} r WHERE r.source_id = k.target_id AND r.target_id = k.source_id AND r.type = k.type) " \
          "AND NOT EXISTS (SELECT 1 FROM #{@sitemap_entries} e WHERE e.url_id = k.target_id AND e.alternates IS NOT NULL)"
      end

      def columns(table) = SUBJECT.map { |column| %(#{table}."#{column}") }.join(", ")

      def target_rows(targets)
        return "(SELECT #{columns("t")} FROM #{@stage} t WHERE #{SUSPECT.fetch(targets)}) t" unless targets == :outside

        "(SELECT f.url_id, f.url, p.status, p.error FROM #{@frontier} f JOIN #{@page_facts} p USING (url_id) " \
          "WHERE f.purpose = #{Frontier::PURPOSES[:external]} AND (p.status >= 400 OR p.error IS NOT NULL)) t"
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # What rules ask of the staged rows of a run: pages with what is usual in their group and what is known of their
      # copies, and rows that share a value.
      class StagedRows
        SUBJECT = %w[
          url_id
          url
          kind
          status
          error
          content_type
          bytes
          redirect_to
          redirect_chain
          final_url
          final_status
          title
          description
          h1
          words
          group
          intent
          wanted
          indexable
          noindex
          nofollow
          follow
          canonical
          chosen_canonical
          robots_allowed
          robots_line
          soft_missing
        ].freeze
        PAGE = "kind = 'html' AND indexable"
        # An address without the index file of its folder.
        FOLDER_FORM =
          "regexp_replace(url, '/(index|default|home)\\.(x?html?|php\\d?|aspx?|jsp|cfm)(\\?|$)', '/\\3', 'i')"
        # A copy says the same anyway, in its title and headings too.
        ORIGINAL = "#{PAGE} AND NOT soft_missing AND copy_of IS NULL"
        # What is shared, and by which rows. Forms of an address leave out in what two of them differ.
        SHARED = {
          title: ["title", ORIGINAL],
          description: ["description", PAGE],
          h1: ["h1[1]", ORIGINAL],
          final_url: ["final_url", "redirect_to IS NOT NULL AND kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}'"],
          slash_form: ["regexp_replace(url, '/(\\?|$)', '\\1')", PAGE],
          case_form: ["lower(url)", PAGE],
          index_form: [FOLDER_FORM, PAGE]
        }.freeze

        # Of the site, where none lists the page's group; of its own host, if there is one.
        FIRST_SITEMAP = <<~SQL
          (SELECT f.url FROM sitemap_files f WHERE f.crawl_id = $1 AND f.entries > 0 ORDER BY NOT starts_with(f.url,
            substring(s.url FROM '^https?://[^/]+/')), f.url COLLATE "C" LIMIT 1)
        SQL

        # @param table [String]
        # @return [String] the columns that a rule may look at, of that table
        def self.columns(table) = SUBJECT.map { |column| %(#{table}."#{column}") }.join(", ")

        # @param stage [String] the table
        # @param copies [String] the table of copies
        # @param crawl [Crawling::Crawl]
        # @param has_sitemaps [Boolean]
        # @param pdfs [Boolean] whether the site's sitemaps are to list PDFs
        def initialize(stage, copies, crawl, has_sitemaps:, pdfs: false)
          @stage = stage
          @copies = copies
          @crawl = crawl
          @has_sitemaps = has_sitemaps
          @pdfs = pdfs
          @links = Postgres::Partitions.name("links", crawl.id)
        end

        # @yieldparam rows [Array<Hash>] pages that may be indexed, each with what is known of its main text and
        #   copies, and the pages of the site that it names by nofollowed links, but for those that are to
        #   be kept out
        # @return [void]
        def pages(&block)
          Postgres::Sql.stream(<<~SQL, [@crawl.id], &block)
            SELECT #{self.class.columns("s")}, s.in_sitemaps, #{@has_sitemaps} AS has_sitemaps, #{@pdfs} AS lists_pdfs,
              coalesce(l.sitemap, #{FIRST_SITEMAP}) AS sitemap_of_group, c.copy_of, c.similarity, c.copies,
                c.unique_share, c.main_words,
                #{StagedCopies::STOP} AS stop, n.unfollowed FROM #{@stage} s LEFT JOIN #{@copies} c USING (url_id)
            LEFT JOIN (SELECT DISTINCT ON ("group") "group", sitemap FROM (SELECT "group", unnest(in_sitemaps) AS
              sitemap FROM #{@stage}) one
              GROUP BY "group", sitemap ORDER BY "group", count(*) DESC, sitemap COLLATE "C") l USING ("group")
            LEFT JOIN (SELECT k.source_id, array_agg(DISTINCT t.url) AS unfollowed FROM #{@links} k JOIN #{@stage} t ON
              t.url_id = k.target_id
              WHERE NOT k.followed AND k.type = #{Pages::FactsRows::TYPES.fetch("anchor")} AND k.source_id <>
                k.target_id AND t.intent <> 'keep_out' GROUP BY 1) n ON n.source_id = s.url_id
            WHERE #{PAGE} AND words IS NOT NULL OR #{@pdfs} AND kind = 'pdf' AND indexable
          SQL
        end

        # @param field [Symbol] one of SHARED
        # @yieldparam rows [Array<Hash>] rows that share its value with others, with "shared_value", "shared_pages",
        #   "shared_first" and "shared_second"
        # @return [void]
        def sharing(field, &block)
          value, who = SHARED.fetch(field)
          Postgres::Sql.stream(<<~SQL, &block)
            SELECT * FROM (
              SELECT #{self.class.columns("s")}, value AS shared_value, count(*) OVER of_value AS shared_pages,
                first_value(url) OVER of_value AS shared_first, nth_value(url, 2) OVER of_value AS shared_second
              FROM (SELECT o.*, #{value} AS value, c.copy_of FROM #{@stage} o LEFT JOIN #{@copies} c USING (url_id)) s
              WHERE #{who} AND coalesce(value, '') <> ''
              WINDOW of_value AS (PARTITION BY value ORDER BY url COLLATE "C" ROWS BETWEEN UNBOUNDED PRECEDING AND
                UNBOUNDED FOLLOWING)
            ) pages WHERE shared_pages > 1
          SQL
        end
      end
    end
  end
end

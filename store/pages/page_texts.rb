# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # The texts of the pages of a run that may be copies of each other: those that may be indexed and have words, but
      # for what reads like a missing page.
      class PageTexts
        MEMBERS = Ledger::Scopes.comparable
        # So many pages of a group tell what its template is; as ids are digests, the first of them are any.
        SAMPLE = 100
        SAMPLES = <<~SQL
          SELECT s."group", b.texts, b.frames FROM (
            SELECT url_id, "group", row_number() OVER (PARTITION BY "group" ORDER BY url_id) AS place FROM %<stage>s
              WHERE #{MEMBERS}
          ) s JOIN %<page_blocks>s b USING (url_id) WHERE s.place <= #{SAMPLE} ORDER BY s."group"
        SQL
        # The page that stands for a cluster: the one that canonicals name most, then one that a sitemap lists, then
        # that with most links in, then that with the shortest URL, then the first in byte order. But for canonicals a
        # folder's own address stands before that of its index file, whatever links name.
        IN_ORDER = <<~SQL
          WITH ranked AS (
            SELECT s.url_id, s.url, s."group", v.votes, #{Judging::StagedRows::FOLDER_FORM} AS folder,
              row_number() OVER (ORDER BY v.votes DESC NULLS LAST, cardinality(s.in_sitemaps) = 0, s.links_in DESC,
                length(s.url), s.url COLLATE "C") AS place
            FROM %<stage>s s LEFT JOIN (SELECT canonical, count(*) AS votes FROM %<page_facts>s WHERE canonical_state =
              'other' GROUP BY canonical) v ON v.canonical = s.url
            WHERE #{MEMBERS}
          ), ordered AS (
            SELECT *, min(place) OVER (PARTITION BY folder) AS first FROM ranked
          )
          SELECT s.url_id, s.url, s."group", b.texts, b.frames, b.menus, b.anchors, b.anchor_targets
          FROM ordered s JOIN %<page_blocks>s b USING (url_id)
          ORDER BY s.first, s.votes DESC NULLS LAST, s.url <> s.folder, s.place
        SQL

        URLS = "SELECT url FROM %<stage>s WHERE #{MEMBERS}"
        IN_FOLDERS = <<~SQL
          SELECT s.url, b.texts, b.frames FROM unnest($1::text[]) AS wanted (url) JOIN %<stage>s s USING (url) JOIN
            %<page_blocks>s b USING (url_id) ORDER BY s.url COLLATE "C"
        SQL

        # @param stage [String] table of the run's staged rows
        # @param crawl [Crawling::Crawl]
        def initialize(stage, crawl)
          @names = Postgres::Partitions.of_crawl(crawl.id).merge(stage: stage)
        end

        # @return [Integer] words of all these pages
        def words =
          Postgres::Sql
            .run("SELECT coalesce(sum(words), 0) FROM #{@names[:stage]} WHERE #{MEMBERS}")
            .getvalue(0, 0)
            .to_i

        # @return [Array<String>] addresses of all these pages
        def urls = Postgres::Sql.run(format(URLS, @names)).column_values(0)

        # @param urls [Array<String>] of some of them
        # @yieldparam rows [Array<Hash>] url, texts, frames, in byte order of their addresses
        # @return [void]
        def in_folders(urls, &block) =
          Postgres::Sql.stream(format(IN_FOLDERS, @names), [Postgres::Sql.array(urls)], portion: 500, &block)

        # @yieldparam group [String]
        # @yieldparam pages [Array<Hash>] texts and frames of some of its pages
        # @return [void]
        def each_group_sample
          gathered = []
          Postgres::Sql.stream(format(SAMPLES, @names), portion: 500) do |rows|
            rows.each do |row|
              if gathered.any? && gathered.first["group"] != row["group"]
                yield gathered.first["group"], gathered.slice!(0..)
              end
              gathered << row
            end
          end
          yield gathered.first["group"], gathered if gathered.any?
        end

        # @yieldparam rows [Array<Hash>] url_id, url, group, texts, frames, menus, anchors, anchor_targets, in the order
        #   in which pages would stand for each other
        # @return [void]
        def in_order(&block) = Postgres::Sql.stream(format(IN_ORDER, @names), portion: 500, &block)
      end
    end
  end
end

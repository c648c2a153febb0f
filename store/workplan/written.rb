# frozen_string_literal: true

module IronTrellis
  module Store
    module Workplan
      # What pages of a crawl say, as far as it has to be written otherwise.
      class Written
        LINKS = <<~SQL
          SELECT text, place FROM %<links>s WHERE source_id = $1 AND target_id = $2 AND type = $3 ORDER BY position
        SQL
        SITEMAPS =
          "SELECT url FROM sitemap_files WHERE crawl_id = $1 AND status = 200 AND parent IS NULL ORDER BY url LIMIT 10"
        PUBLISHED = <<~SQL
          SELECT f.url, f.kind, f.parent, coalesce(array_agg(u.url) FILTER (WHERE u.url IS NOT NULL), '{}') AS urls
          FROM sitemap_files f LEFT JOIN %<sitemap_entries>s e ON e.sitemap_file_id = f.id LEFT JOIN urls u ON u.id =
            e.url_id
          WHERE f.crawl_id = $1 AND f.status = 200 GROUP BY f.id ORDER BY f.url
        SQL
        BLOCKED = <<~SQL
          SELECT robots_line AS line, count(*) AS urls FROM %<ledger>s
          WHERE robots_allowed IS FALSE AND robots_line IS NOT NULL AND starts_with(url, $1) GROUP BY 1
        SQL
        # Folders in which everything is to be kept out.
        KEPT_OUT = <<~SQL
          SELECT folder FROM unnest($1::text[]) folder WHERE NOT EXISTS (
            SELECT 1 FROM %<ledger>s WHERE starts_with(url, folder) AND intent IS DISTINCT FROM 'keep_out'
          )
        SQL
        # A folder a place is looked through whole.
        MOST_FOLDERS = 50
        USUAL = "sitemap.xml"
        TYPES = Pages::FactsRows::TYPES
        PLACES = Core::Page::Link.places

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @names = Postgres::Partitions.of_run(run)
        end

        # @param page [String]
        # @param target [String]
        # @return [Array<Hash{String => String, nil}>] text and place of each link from one to the other
        def links(page, target) =
          found(page, target, "anchor").map do |row|
            {"text" => row["text"], "place" => row["place"] && PLACES[row["place"]]}
          end

        # @param page [String]
        # @param image [String]
        # @return [String, nil] the text that stands for it there
        def alt(page, image) = found(page, image, "image").first&.fetch("text")

        # @return [Array<String>] addresses of sitemaps that the site has, else the usual one
        def sitemaps
          found = Postgres::Sql.run(SITEMAPS, [@run.crawl_id]).column_values(0)
          return found if found.any?

          ["#{@run.crawl.crawl_settings.first_urls.first[%r{\Ahttps?://[^/]+}]}/#{USUAL}"]
        end

        # @return [Array<Hash{String => Object}>] url, kind, parent and urls of each sitemap file
        def published =
          @published ||= Postgres::Sql.rows(format(PUBLISHED, @names), [@run.crawl_id])

        # @param origin [String]
        # @return [Hash{Integer => Integer}] how many URLs each line of its robots.txt blocks
        def blocked(origin) =
          Postgres::Sql
            .rows(format(BLOCKED, @names), ["#{origin}/"])
            .to_h { |row| row.values_at("line", "urls") }

        # @param urls [Array<String>]
        # @return [Array<String>] the folders of them, as addresses, in which everything is to be kept out
        def kept_out_folders(urls)
          folders = urls.flat_map { |url| folders(url) }.tally.sort_by { |folder, size| [-size, folder] }
          most = folders.first(MOST_FOLDERS).map(&:first)
          Postgres::Sql.run(format(KEPT_OUT, @names), [Postgres::Sql.array(most)]).column_values(0)
        end

        private

        # Those below the host, the largest first.
        def folders(url)
          origin, path = url.match(%r{\A(https?://[^/?#]+)/([^?#]*)}).captures
          names = path.split("/", -1)[0...-1]
          names.each_index.map { |place| "#{origin}/#{names[0..place].join("/")}/" }
        end

        def found(page, target, type)
          ids = [page, target].map { |url| Core::Url::NormalForm.id(@run.crawl.site_id, url) }
          Postgres::Sql.rows(format(LINKS, @names), [*ids, TYPES.fetch(type)])
        end
      end
    end
  end
end

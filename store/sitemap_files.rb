# frozen_string_literal: true

module IronTrellis
  module Store
    # The sitemap files of a crawl and what they list.
    class SitemapFiles
      ENTRIES = %w[crawl_id sitemap_file_id url_id position lastmod alternates].freeze
      MOST = 50_000

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
      end

      # @param urls [Array<String>]
      # @param parent [String, nil] the robots.txt or index that names them
      # @return [void]
      def add(urls, parent:)
        urls.uniq.sort.first(MOST).each do |url|
          Sql.run("INSERT INTO sitemap_files (crawl_id, url, parent) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING", [@crawl.id, url, parent])
        end
      end

      # Takes one waiting file and hands it over; what the block stores and the file's new state are one transaction.
      # Another slot passes a taken file over.
      #
      # @yieldparam file [Hash] id, url
      # @return [Boolean] whether there was one
      def take
        ActiveRecord::Base.transaction do
          file = Sql.rows("SELECT id, url FROM sitemap_files WHERE crawl_id = $1 AND state = 'waiting' ORDER BY id LIMIT 1 FOR UPDATE SKIP LOCKED", [@crawl.id]).first
          yield file if file
          !file.nil?
        end
      end

      # @param file [Hash] id, url
      # @param result [IronTrellis::Crawl::SitemapFetch::Result]
      # @param scope [Core::Url::Scope]
      # @param now [Time]
      # @return [void]
      def store(file, result, scope:, now:)
        reading = result.reading
        entries = reading&.entries || []
        update(file, result, entries.size)
        add(reading.sitemaps, parent: file["url"]) if reading
        urls = (entries.map(&:url) + entries.flat_map { |entry| entry.alternates.map { |one| one[:url] } }).uniq
        ids = urls.to_h { |url| [url, Core::Url::NormalForm.id(@crawl.site_id, url)] }
        Urls.add(@crawl.site_id, ids.invert, now)
        Copy.new("sitemap_entries", ENTRIES).call(Partitions.name("sitemap_entries", @crawl.id), entries.each_with_index.map { |entry, position| row(file, entry, position, ids) })
        @crawl.frontier.add(ids.select { |url, _| scope.cover?(url) }.map { |url, id| [id, url, :page, 1, :waiting] })
      end

      # @return [Boolean] whether files are still to be read
      def waiting? = Sql.run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND state = 'waiting' LIMIT 1", [@crawl.id]).ntuples.positive?

      private

      def row(file, entry, position, ids)
        [@crawl.id, file["id"], ids.fetch(entry.url), position, entry.lastmod, entry.alternates.empty? ? nil : entry.alternates]
      end

      def update(file, result, entries)
        error = result.error || result.reading&.error
        Sql.run("UPDATE sitemap_files SET state = 'read', kind = $2, status = $3, error = $4, bytes = $5, entries = $6 WHERE id = $1",
          [file["id"], result.reading&.kind, result.status, error, result.bytes, entries])
      end
    end
  end
end

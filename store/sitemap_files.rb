# frozen_string_literal: true

module IronTrellis
  module Store
    # The sitemap files of a crawl and what they list.
    class SitemapFiles
      ENTRIES = %w[crawl_id sitemap_file_id url_id position lastmod alternates].freeze
      MOST = 50_000
      # A URL that only a sitemap lists is crawled as if it were one click from a start.
      DEPTH = 1

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
      end

      # @param urls [Array<String>]
      # @param parent [String, nil] the robots.txt or index that names them
      # @param hosts [Hosts]
      # @return [void]
      def add(urls, parent:, hosts:)
        urls.uniq.sort.first(MOST).each do |url|
          host_id = host_id(url, hosts)
          Sql.run("INSERT INTO sitemap_files (crawl_id, url, host_id, parent) VALUES ($1, $2, $3, $4) ON CONFLICT DO NOTHING", [@crawl.id, url, host_id, parent])
        end
      end

      # @param slot [Integer]
      # @param host_ids [Array<Integer>]
      # @return [Array<Hash>] id, url, host_id of those that this slot is to fetch now
      def take(slot, host_ids)
        Sql.rows("UPDATE sitemap_files SET state = 'leased', slot = $2 WHERE crawl_id = $1 AND state = 'waiting' AND host_id = ANY($3::bigint[]) RETURNING id, url, host_id",
          [@crawl.id, slot, Sql.array(host_ids)])
      end

      # @param slot [Integer]
      # @return [void]
      def release(slot) = Sql.run("UPDATE sitemap_files SET state = 'waiting' WHERE crawl_id = $1 AND state = 'leased' AND slot = $2", [@crawl.id, slot])

      # @return [Boolean] whether any isn't read yet
      def open? = Sql.run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND state <> 'read' LIMIT 1", [@crawl.id]).ntuples.positive?

      # Stores what a file lists and offers it to the frontier.
      #
      # @param file [#id, #url]
      # @param result [IronTrellis::Crawl::SitemapFetch::Result]
      # @param hosts [Hosts]
      # @param now [Time]
      # @return [void]
      def store(file, result, hosts:, now:)
        reading = result.reading
        entries = reading&.entries || []
        urls = (entries.map(&:url) + entries.flat_map { |entry| entry.alternates.map { |one| one[:url] } }).uniq
        ids = urls.to_h { |url| [url, Core::Url::NormalForm.id(@crawl.site_id, url)] }
        Urls.add(@crawl.site_id, ids.invert, now)
        @crawl.frontier.add(offered(ids, hosts)) if @crawl.follow_sitemaps?
        ActiveRecord::Base.transaction do
          next unless close(file, result, entries.size)

          add(reading.sitemaps, parent: file.url, hosts: hosts) if reading
          Copy.new("sitemap_entries", ENTRIES).call(Partitions.name("sitemap_entries", @crawl.id), entries.each_with_index.map { |entry, position| row(file, entry, position, ids) })
        end
      end

      private

      # @return [Boolean] false where it was read already, by a worker that was thought dead
      def close(file, result, entries)
        flaws = result.reading&.flaws&.map(&:to_h)
        Sql.run("UPDATE sitemap_files SET state = 'read', kind = $2, status = $3, error = $4, bytes = $5, entries = $6, faults = $7 WHERE id = $1 AND state <> 'read'",
          [file.id, result.reading&.kind, result.status, result.error, result.bytes, entries, flaws && JSON.generate(flaws)]).cmd_tuples == 1
      end

      def row(file, entry, position, ids)
        [@crawl.id, file.id, ids.fetch(entry.url), position, entry.lastmod, entry.alternates.empty? ? nil : entry.alternates]
      end

      def host_id(url, hosts) = hosts.id(Core::Url::NormalForm.split(url).authority)

      def offered(ids, hosts)
        scope = @crawl.crawl_settings.scope
        ids.select { |url, _| scope.cover?(url) }.map do |url, id|
          Frontier::Entry.new(id: id, url: url, purpose: :page, depth: DEPTH, host_id: host_id(url, hosts))
        end
      end
    end
  end
end

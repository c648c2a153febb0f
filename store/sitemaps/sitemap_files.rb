# frozen_string_literal: true

require "json"

module IronTrellis
  module Store
    module Sitemaps
      # The sitemap files of a crawl and what they list.
      class SitemapFiles
        ENTRIES = %w[crawl_id sitemap_file_id url_id position lastmod alternates].freeze
        MOST = 50_000
        # A URL that only a sitemap lists is crawled as if it were one click from a start.
        DEPTH = 1

        # Named by robots.txt, at a usual address, given in the settings, named by another file.
        FOUND = {robots: "robots", usual: "usual", settings: "settings", file: "file"}.freeze
        # Nothing lay at a usual address, or what lay there is known by another one.
        ABSENT = "absent"
        # What is named somewhere isn't merely a usual address.
        ADD = <<~SQL
          INSERT INTO sitemap_files (crawl_id, url, host_id, parent, found) VALUES ($1, $2, $3, $4, $5)
          ON CONFLICT (crawl_id, url) DO UPDATE SET parent = EXCLUDED.parent, found = EXCLUDED.found,
            state = CASE WHEN sitemap_files.state = '#{ABSENT}' THEN 'waiting' ELSE sitemap_files.state END
          WHERE sitemap_files.found = '#{FOUND[:usual]}' AND EXCLUDED.found <> '#{FOUND[:usual]}'
        SQL
        FLAWS = "SELECT faults FROM sitemap_files WHERE crawl_id = $1 AND url = $2"
        ANSWERING = "SELECT url FROM sitemap_files WHERE crawl_id = $1 AND status = 200 ORDER BY url LIMIT 200"
        OPEN = "state NOT IN ('read', '#{ABSENT}')"

        # @param crawl [Crawling::Crawl]
        def initialize(crawl)
          @crawl = crawl
        end

        # @return [Array<String>] addresses of files that were read, at most 200
        def answering = Postgres::Sql.run(ANSWERING, [@crawl.id]).column_values(0)

        # @param url [String] of a file
        # @return [Array<Hash{String => Object}>] what was wrong in it: code, line, about
        def flaws(url) = Postgres::Sql.rows(FLAWS, [@crawl.id, url]).first&.fetch("faults") || []

        # @param urls [Array<String>]
        # @param found [String] how: see FOUND
        # @param parent [String, nil] the robots.txt or index that names them
        # @param hosts [Crawling::Hosts]
        # @return [void]
        def add(urls, found:, parent:, hosts:)
          urls.uniq.sort.first(MOST).each do |url|
            Postgres::Sql.run(ADD, [@crawl.id, url, host_id(url, hosts), parent, FOUND.fetch(found)])
          end
        end

        # @param slot [Integer]
        # @param host_ids [Array<Integer>]
        # @return [Array<Hash>] id, url, host_id, usual (whether it is only at a usual address) of those that this slot
        #   is to fetch now
        def take(slot, host_ids)
          Postgres::Sql.rows(
            "UPDATE sitemap_files SET state = 'leased', slot = $2 WHERE crawl_id = $1 AND state = 'waiting' AND " \
            "host_id = ANY($3::bigint[]) RETURNING id, url, host_id, found = '#{FOUND[:usual]}' AS usual",
            [@crawl.id, slot, Postgres::Sql.array(host_ids)]
          )
        end

        # @param slot [Integer]
        # @return [void]
        def release(slot) =
          Postgres::Sql.run(
            "UPDATE sitemap_files SET state = 'waiting' WHERE crawl_id = $1 AND state = 'leased' AND slot = $2",
            [@crawl.id, slot]
          )

        # @param file [#id] to be fetched later
        # @return [void]
        def put_back(file) =
          Postgres::Sql.run("UPDATE sitemap_files SET state = 'waiting' WHERE id = $1 AND state = 'leased'", [file.id])

        # @return [Boolean] whether any isn't read yet
        def open? =
          Postgres::Sql
            .run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND #{OPEN} LIMIT 1", [@crawl.id])
            .ntuples
            .positive?

        # Stores what a file lists and offers it to the frontier.
        #
        # @param file [#id, #url]
        # @param result [Core::Sitemaps::Fetched]
        # @param hosts [Crawling::Hosts]
        # @param now [Time]
        # @return [void]
        def store(file, result, hosts:, now:)
          return if absent(file, result)

          reading = result.reading
          entries = reading&.entries || []
          urls = (entries.map(&:url) + entries.flat_map { |entry| entry.alternates.map { |one| one[:url] } }).uniq
          ids = urls.to_h { |url| [url, Core::Url::NormalForm.id(@crawl.site_id, url)] }
          Crawling::Urls.add(@crawl.site_id, ids.invert, now)
          @crawl.frontier.add(offered(ids, hosts)) if @crawl.follow_sitemaps?
          ActiveRecord::Base.transaction do
            next unless close(file, result, entries.size)

            add(reading.sitemaps, found: :file, parent: file.url, hosts: hosts) if reading
            Postgres::BulkCopy.new("sitemap_entries", ENTRIES).call(
              Postgres::Partitions.name("sitemap_entries", @crawl.id),
              entries.each_with_index.map { |entry, position| row(file, entry, position, ids) }
            )
          end
        end

        private

        # What a usual address answers that is no sitemap, or that another address is known to have, says nothing of the
        # site.
        #
        # @return [Boolean]
        def absent(file, result)
          return false if result.sitemap? && !(result.url != file.url && known?(result.url))

          Postgres::Sql.run(
            "UPDATE sitemap_files SET state = '#{ABSENT}' WHERE id = $1 AND found = '#{FOUND[:usual]}' AND #{OPEN}",
            [file.id]
          ).cmd_tuples == 1
        end

        def known?(url) =
          Postgres::Sql
            .run("SELECT 1 FROM sitemap_files WHERE crawl_id = $1 AND url = $2", [@crawl.id, url])
            .ntuples
            .positive?

        # @return [Boolean] false where it was read already, by a worker that was thought dead
        def close(file, result, entries)
          flaws = result.reading&.flaws&.map(&:to_h)
          Postgres::Sql.run(
            "UPDATE sitemap_files SET state = 'read', kind = $2, status = $3, error = $4, bytes = $5, entries = $6, " \
            "faults = $7 WHERE id = $1 AND #{OPEN}",
            [
              file.id,
              result.reading&.kind,
              result.status,
              result.error,
              result.bytes,
              entries,
              flaws && JSON.generate(flaws)
            ]
          ).cmd_tuples == 1
        end

        def row(file, entry, position, ids)
          [
            @crawl.id,
            file.id,
            ids.fetch(entry.url),
            position,
            entry.lastmod,
            entry.alternates.empty? ? nil : entry.alternates
          ]
        end

        def host_id(url, hosts) = hosts.id(Core::Url::NormalForm.split(url).authority)

        def offered(ids, hosts)
          scope = @crawl.crawl_settings.scope
          ids.select { |url, _| scope.cover?(url) }.map do |url, id|
            Crawling::Frontier::Entry.new(id: id, url: url, purpose: :page, depth: DEPTH, host_id: host_id(url, hosts))
          end
        end
      end
    end
  end
end

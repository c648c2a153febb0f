# frozen_string_literal: true

require "json"

module IronTrellis
  module Store
    module Crawling
      # What each host of a crawl answers besides: for a made-up path ("missing": how its missing pages look), and for /
      # under the other scheme ("scheme") and with or without www ("www").
      class Probes
        OF_CRAWL = "host_id IN (SELECT id FROM crawl_hosts WHERE crawl_id = $1)"

        # @param crawl [Crawl]
        def initialize(crawl)
          @crawl = crawl
        end

        # @param host_id [Integer]
        # @param urls [Hash{String => String}] addresses to ask for, by kind
        # @return [void]
        def add(host_id, urls)
          urls.each do |kind, url|
            Postgres::Sql.run(
              "INSERT INTO host_probes (host_id, kind, url) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING",
              [host_id, kind, url]
            )
          end
        end

        # @param slot [Integer]
        # @param host_ids [Array<Integer>]
        # @return [Array<Hash>] url, host_id, kind of those that this slot is to fetch now
        def take(slot, host_ids)
          Postgres::Sql.rows(
            "UPDATE host_probes SET state = 'leased', slot = $1 WHERE state = 'waiting' AND host_id = " \
            "ANY($2::bigint[]) RETURNING url, host_id, kind",
            [slot, Postgres::Sql.array(host_ids)]
          )
        end

        # @param slot [Integer]
        # @return [void]
        def release(slot) =
          Postgres::Sql.run(
            "UPDATE host_probes SET state = 'waiting' WHERE #{OF_CRAWL} AND state = 'leased' AND slot = $2",
            [@crawl.id, slot]
          )

        # @return [Boolean] whether any isn't answered yet
        def open? =
          Postgres::Sql
            .run("SELECT 1 FROM host_probes WHERE #{OF_CRAWL} AND state <> 'read' LIMIT 1", [@crawl.id])
            .ntuples
            .positive?

        # @param task [Core::Crawling::ProbeTask]
        # @param outcome [Core::Crawling::Outcome] without an answer where robots.txt forbade asking
        # @return [void]
        def store(task, outcome)
          answer, facts = outcome.answer, outcome.facts
          Postgres::Sql.run(
            "UPDATE host_probes SET state = 'read', status = $3, error = $4, title = $5, text = $6, location = $7, " \
            "links = $8, outline = $9, frames = $10, menus = $11 WHERE host_id = $1 AND kind = $2",
            [
              task.host_id,
              task.kind,
              answer&.status,
              answer&.error,
              facts&.title,
              facts&.text,
              outcome.redirect_to,
              outcome.ways_on,
              JSON.generate(facts&.outline || []),
              *[facts&.frames, facts&.menus].map { |lines| lines && Postgres::Sql.array(lines) }
            ]
          )
        end

        # @return [Hash{String => Hash}] by authority what answers 2xx for a page that isn't there
        def answering
          all
            .select { |row| row["kind"] == Core::Crawling::HostVariants::MISSING && (200..299).cover?(row["status"]) }
            .to_h { |row| [row["authority"], row] }
        end

        # @return [Array<Hash>] authority, kind, url, status, error, title, text, location, links, outline, frames,
        #   menus of each, sorted
        def all
          Postgres::Sql.rows(
            "SELECT h.authority, p.kind, p.url, p.status, p.error, p.title, p.text, p.location, p.links, p.outline, " \
            "p.frames, p.menus FROM host_probes p JOIN crawl_hosts h ON h.id = p.host_id WHERE h.crawl_id = $1 ORDER " \
            "BY 1, 2",
            [@crawl.id]
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    # What each host of a crawl answers for a made-up path: how its missing pages look.
    class Probes
      OF_CRAWL = "host_id IN (SELECT id FROM crawl_hosts WHERE crawl_id = $1)"

      # @param crawl [Crawl]
      def initialize(crawl)
        @crawl = crawl
      end

      # @param host_id [Integer]
      # @param url [String] the made-up address
      # @return [void]
      def add(host_id, url) = Sql.run("INSERT INTO host_probes (host_id, url) VALUES ($1, $2) ON CONFLICT DO NOTHING", [host_id, url])

      # @param slot [Integer]
      # @param host_ids [Array<Integer>]
      # @return [Array<Hash>] host_id, url of those that this slot is to fetch now
      def take(slot, host_ids)
        Sql.rows("UPDATE host_probes SET state = 'leased', slot = $1 WHERE state = 'waiting' AND host_id = ANY($2::bigint[]) RETURNING host_id, url", [slot, Sql.array(host_ids)])
      end

      # @param slot [Integer]
      # @return [void]
      def release(slot) = Sql.run("UPDATE host_probes SET state = 'waiting' WHERE #{OF_CRAWL} AND state = 'leased' AND slot = $2", [@crawl.id, slot])

      # @return [Boolean] whether any isn't answered yet
      def open? = Sql.run("SELECT 1 FROM host_probes WHERE #{OF_CRAWL} AND state <> 'read' LIMIT 1", [@crawl.id]).ntuples.positive?

      # @param host_id [Integer]
      # @param answer [IronTrellis::Crawl::Answer, nil] nil where robots.txt forbade asking
      # @param facts [Core::Page::Facts, nil]
      # @return [void]
      def store(host_id, answer, facts)
        Sql.run("UPDATE host_probes SET state = 'read', status = $2, error = $3, title = $4, text = $5 WHERE host_id = $1", [host_id, answer&.status, answer&.error, facts&.title, facts&.text])
      end

      # @return [Hash{String => Hash}] by authority: title and text of those that answered 2xx
      def answering
        Sql.rows("SELECT h.authority, p.title, p.text FROM host_probes p JOIN crawl_hosts h ON h.id = p.host_id WHERE h.crawl_id = $1 AND p.status BETWEEN 200 AND 299", [@crawl.id])
          .to_h { |row| [row["authority"], row] }
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # The slowest pages of a crawl, and how long they took when they were asked again.
      class SlowPages
        SLOW = "response_ms > $1 AND status = 200 AND error IS NULL AND kind IN ('html', 'pdf')"

        # @param crawl [Crawl]
        # @param limit [Integer] milliseconds
        # @param most [Integer] how many are asked again
        def initialize(crawl, limit:, most:)
          @names = Postgres::Partitions.of_crawl(crawl.id)
          @limit = limit
          @most = most
        end

        # @return [Array<Hash>] url_id and url of those that weren't asked again yet
        def open
          Postgres::Sql.rows(format(<<~SQL, @names), [@limit, @most])
            SELECT p.url_id, f.url FROM (SELECT url_id, again_ms FROM %<page_facts>s WHERE #{SLOW} ORDER BY response_ms
              DESC, url_id LIMIT $2) p
            JOIN %<frontier>s f USING (url_id) WHERE p.again_ms IS NULL
          SQL
        end

        # @param times [Hash{Integer => Integer}] milliseconds by URL id
        # @return [void]
        def keep(times)
          values = [times.keys, times.values].map { |column| Postgres::Sql.array(column) }
          Postgres::Sql.run(format(<<~SQL, @names), values)
            UPDATE %<page_facts>s p SET again_ms = t.ms FROM unnest($1::bigint[], $2::integer[]) AS t (url_id, ms) WHERE
              p.url_id = t.url_id
          SQL
        end
      end
    end
  end
end

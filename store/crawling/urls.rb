# frozen_string_literal: true

require "time"

module IronTrellis
  module Store
    module Crawling
      # The one row that each URL of a site has for ever.
      module Urls
        # Two URLs came to one id. It has never happened to anyone, and must not pass unseen.
        class Collision < Core::Error; end

        ADD = <<~SQL
          INSERT INTO urls (id, site_id, url, first_seen)
          SELECT id, $1, url, $4 FROM unnest($2::bigint[], $3::text[]) AS new (id, url)
          ON CONFLICT (id) DO NOTHING
        SQL
        DIFFERING = <<~SQL
          SELECT urls.url, new.url FROM unnest($1::bigint[], $2::text[]) AS new (id, url)
          JOIN urls USING (id) WHERE urls.url <> new.url
        SQL

        module_function

        # @param site_id [Integer]
        # @param urls [Hash{Integer => String}] normal forms by id
        # @param now [Time]
        # @return [void]
        # @raise [Collision]
        def add(site_id, urls, now)
          return if urls.empty?

          ids, texts = urls.sort.transpose
          added =
            Postgres::Sql.run(
              ADD,
              [site_id, Postgres::Sql.array(ids), Postgres::Sql.array(texts), now.utc.iso8601(6)]
            ).cmd_tuples
          return if added == ids.size

          differing = Postgres::Sql.run(DIFFERING, [Postgres::Sql.array(ids), Postgres::Sql.array(texts)]).values.first
          raise Collision.new("Two URLs have one id: #{differing.join(" and ")}.", urls: differing) if differing
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Judging
      # The links of a crawl between URLs that are numbered from 0: numbers of 32 bits, packed, take a quarter of what
      # ids take.
      module NumberedLinks
        PACKED = "l>*"
        NUMBERED = <<~SQL
          CREATE TEMPORARY TABLE %<nodes>s ON COMMIT DROP AS
          SELECT (row_number() OVER (ORDER BY url_id) - 1)::integer AS n, url_id FROM %<frontier>s
        SQL
        LINKS = <<~SQL
          SELECT s.n, string_agg(int4send(t.n), ''::bytea) AS targets
          FROM %<links>s k JOIN %<nodes>s s ON s.url_id = k.source_id JOIN %<nodes>s t ON t.url_id = k.target_id
          WHERE k.source_id <> k.target_id AND (k.type = ANY($1::smallint[]) AND k.followed OR k.type =
            ANY($2::smallint[])) GROUP BY s.n
        SQL

        module_function

        # @param crawl_id [Integer]
        # @param followed [Array<Integer>] types of links that count where they are followed
        # @param others [Array<Integer>] types that count always
        # @return [Array(Hash{Integer => Integer}, Hash{Integer => String})] by URL id its number; by number the numbers
        #   that it links to, packed
        def of(crawl_id, followed, others)
          nodes = "nodes_#{crawl_id}"
          links = Postgres::Partitions.name("links", crawl_id)
          ActiveRecord::Base.transaction do
            frontier = Postgres::Partitions.name("frontier", crawl_id)
            Postgres::Sql.raw.exec(format(NUMBERED, nodes: nodes, frontier: frontier))
            Postgres::Sql.raw.exec("ANALYZE #{nodes}")
            found = [numbers(nodes), links(format(LINKS, nodes: nodes, links: links), followed, others)]
            Postgres::Sql.raw.exec("DROP TABLE #{nodes}")
            found
          end
        end

        def numbers(nodes) =
          Postgres::Sql
            .run("SELECT url_id FROM #{nodes} ORDER BY n")
            .column_values(0)
            .each_with_index
            .to_h { |id, number| [id.to_i, number] }

        def links(sql, *types)
          {}.tap do |found|
            Postgres::Sql.stream(sql, types.map { |some| Postgres::Sql.array(some) }) do |rows|
              rows.each { |row| found[row["n"]] = row["targets"] }
            end
          end
        end
        private_class_method :numbers, :links
      end
    end
  end
end

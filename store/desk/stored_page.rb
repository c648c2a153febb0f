# frozen_string_literal: true

module IronTrellis
  module Store
    module Desk
      # What a crawl stored of one page and its pictures, for whoever works on it.
      class StoredPage
        ANSWER = "SELECT header_lines, body FROM %<raw_answers>s WHERE url_id = $1"
        LINKS_IN = <<~SQL
          SELECT text FROM %<links>s WHERE target_id = $1 AND source_id <> $1 AND type = $2 AND text <> '' LIMIT 50000
        SQL
        DATA = "SELECT data, data_problems FROM %<page_facts>s WHERE url_id = $1"
        ALL_DATA = "SELECT data FROM %<page_facts>s WHERE data IS NOT NULL LIMIT 5000"
        USED = <<~SQL
          SELECT target_id, count(DISTINCT source_id) AS pages FROM %<links>s
          WHERE type = $1 AND target_id = ANY($2::bigint[]) GROUP BY 1
        SQL
        FIGURES =
          "SELECT url_id, bytes, clicks, impressions, position FROM %<ledger>s WHERE url_id = ANY($1::bigint[])"

        # @param names [Hash{Symbol => String}] of the tables, of a crawl or, where the ledger is asked, of a run
        # @param url_id [Integer]
        def initialize(names, url_id)
          @names = names
          @url_id = url_id
        end

        # @return [Hash{String => String, nil}, nil] header_lines and body
        def answer = Postgres::Sql.rows(format(ANSWER, @names), [@url_id]).first

        # @return [Array<String>] texts of links to it
        def texts_of_links =
          Postgres::Sql.run(format(LINKS_IN, @names), [@url_id, type("anchor")]).column_values(0)

        # @return [Hash{String => Object}] data and data_problems
        def data = Postgres::Sql.rows(format(DATA, @names), [@url_id]).first || {}

        # @return [Array<Array<Hash>>] structured data of the pages of the site that have some
        def data_of_all = Postgres::Sql.rows(format(ALL_DATA, @names)).map { |row| row["data"] }

        # @param ids [Array<Integer>] of pictures
        # @return [Hash{Integer => Integer}] on how many pages each is
        def uses(ids) =
          Postgres::Sql
            .rows(format(USED, @names), [type("image"), Postgres::Sql.array(ids)])
            .to_h { |row| row.values_at("target_id", "pages") }

        # @param ids [Array<Integer>] of pictures
        # @return [Hash{Integer => Hash}] bytes, clicks, impressions and position
        def figures(ids) =
          Postgres::Sql.rows(format(FIGURES, @names), [Postgres::Sql.array(ids)]).to_h { |row| [row["url_id"], row] }

        private

        def type(name) = Pages::FactsRows::TYPES.fetch(name)
      end
    end
  end
end

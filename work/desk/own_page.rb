# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # A page's words as the newest crawl stored them.
      module OwnPage
        ANSWER = "SELECT header_lines, body FROM %<raw_answers>s WHERE url_id = $1"
        LINKS_IN = <<~SQL
          SELECT text FROM %<links>s WHERE target_id = $1 AND source_id <> $1 AND type = $2 AND text <> '' LIMIT 50000
        SQL

        module_function

        # @param crawl [Store::Crawling::Crawl]
        # @param url_id [Integer]
        # @param url [String]
        # @return [Core::Desk::Page]
        # @raise [Core::Error::NotFound] where no source of it is stored
        def of(crawl, url_id, url)
          row = Store::Postgres::Sql.rows(format(ANSWER, names(crawl)), [url_id]).first
          raise Core::Error::NotFound.new("No source of #{url} is stored.") unless row&.fetch("body")

          Core::Desk::PageReading.call(
            row["body"],
            url: Core::Url::NormalForm.parse(url),
            header_lines: row["header_lines"].split("\n"),
            links_in: links_in(crawl, url_id),
            main: true
          )
        end

        # @return [Array<String>] texts of links to it
        def links_in(crawl, url_id) =
          Store::Postgres::Sql
            .run(format(LINKS_IN, names(crawl)), [url_id, Store::Pages::FactsRows::TYPES.fetch("anchor")])
            .column_values(0)

        def names(crawl) = Store::Postgres::Partitions.of_crawl(crawl.id)
        private_class_method :names
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # A page's words as the newest crawl stored them.
      module OwnPage
        module_function

        # @param crawl [Store::Crawling::Crawl]
        # @param url_id [Integer]
        # @param url [String]
        # @return [Core::Desk::Page]
        # @raise [Core::Error::NotFound] where no source of it is stored
        def of(crawl, url_id, url)
          row = stored(crawl, url_id).answer
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
        def links_in(crawl, url_id) = stored(crawl, url_id).texts_of_links

        def stored(crawl, url_id) = Store::Desk::StoredPage.new(Store::Postgres::Partitions.of_crawl(crawl.id), url_id)
        private_class_method :stored
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Finds out where a crawl begins of whose site only the bare domain was given, and lets it begin.
      class FindStart < Job
        def run(crawl_id:)
          crawl = Store::Crawl.find_by(id: crawl_id)
          return finish unless crawl&.state == Store::Crawl::WAITING

          found = StartSearch.new(crawl.crawl_settings, crawl.secrets).call
          ActiveRecord::Base.transaction do
            crawl.begin_with(found, now) && Crawling.enqueue(crawl)
            finish
          end
        end
      end
    end
  end
end

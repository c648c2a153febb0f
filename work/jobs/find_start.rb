# frozen_string_literal: true

module IronTrellis
  module Work
    module Jobs
      # Finds out where a crawl begins of whose site only the bare domain was given, and lets it begin.
      class FindStart < Runtime::Job
        # (see Runtime::Job.explain)
        def self.explain(given) = "the start of #{crawl_named(given["crawl_id"])}"

        def run(crawl_id:)
          crawl = Store::Crawling::Crawl.find_by(id: crawl_id)
          return finish unless crawl&.state == Store::Crawling::Crawl::WAITING

          found = Crawling::StartSearch.new(crawl.crawl_settings, crawl.secrets).call
          ActiveRecord::Base.transaction do
            crawl.begin_with(found, now) && Crawling::Runs.enqueue(crawl)
            finish
          end
        end

        # @return [void]
        def given_up(error)
          crawl = Store::Crawling::Crawl.find_by(id: que_attrs[:kwargs][:crawl_id])
          crawl&.advance(
            Store::Crawling::Crawl::WAITING,
            Store::Crawling::Crawl::FAILED,
            message: "It could not be found out where it begins: #{explain(error)}"
          )
        end
      end
    end
  end
end

# frozen_string_literal: true

require "time"

module IronTrellis
  module Work
    module Sites
      # Takes sites and crawls away, with all that goes along. They can be brought back for a day; then they are gone.
      module Removal
        BACK_SECONDS = 86_400

        module_function

        # @param site [Store::Sites::Site]
        # @param by [String] who does it
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] while it is crawled
        def take_site(site, by:, now:)
          at = at(now)
          site.transaction do
            site.lock!
            site.crawls.each { |crawl| mark(crawl, by, at) }
            mark(site, by, at)
            Runtime::Queue.enqueue(
              "Remove",
              {site_id: site.id, removed_at: at.iso8601(6)},
              at: at + BACK_SECONDS
            )
          end
        end

        # @param crawl [Store::Crawling::Crawl]
        # @param by [String] who does it
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] while it runs
        def take_crawl(crawl, by:, now:)
          at = at(now)
          crawl.transaction do
            mark(crawl, by, at)
            Runtime::Queue.enqueue(
              "Remove",
              {crawl_id: crawl.id, removed_at: at.iso8601(6)},
              at: at + BACK_SECONDS
            )
          end
        end

        # @param id [Integer] of a site that was taken away
        # @return [Store::Sites::Site] with the crawls that went along
        # @raise [Core::Error::NotFound]
        # @raise [Core::Error::Conflict] where another site has its name now
        def bring_site_back(id)
          site = Store::Sites::Site.removed.fetch(id)
          site.transaction(requires_new: true) do
            Store::Crawling::Crawl
              .removed
              .where(site_id: id, removed_at: site.removed_at)
              .find_each { |crawl| crawl.update!(removed_at: nil, removed_by: nil) }
            site.update!(removed_at: nil, removed_by: nil)
          end
          site
        rescue ActiveRecord::RecordNotUnique
          raise Core::Error::Conflict.new(
                  "There is another site called “#{site.name}” now. Give that one another name first."
                )
        end

        # @param id [Integer] of a crawl that was taken away
        # @return [Store::Crawling::Crawl]
        # @raise [Core::Error::NotFound]
        def bring_crawl_back(id) =
          Store::Crawling::Crawl.removed.fetch(id).tap { |crawl| crawl.update!(removed_at: nil, removed_by: nil) }

        # PostgreSQL keeps microseconds.
        def at(now) = now.round(6)

        def mark(record, by, at)
          if record.is_a?(Store::Crawling::Crawl) && !record.ended?
            raise Core::Error::Conflict.new("Crawl #{record.number} isn't ended yet. Stop it first.")
          end

          record.update!(removed_at: at, removed_by: by)
        end
        private_class_method :at, :mark
      end
    end
  end
end

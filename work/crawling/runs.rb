# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Starting, pausing, resuming and ending crawls.
      module Runs
        # How many workers share a crawl where nothing else is said; what one of them has no part in costs nothing.
        SLOTS = 4
        # More at once would be a crawl of the site.
        MOST_URLS = 100_000
        STOPPED = "Stopped before the end: some URLs were not fetched."

        module_function

        # @param site [Store::Sites::Site]
        # @param now [Time]
        # @param slots [Integer] how many workers may share it
        # @param queue [String]
        # @param urls [Array<String>, nil] only these; nil for what the site's settings say
        # @return [Store::Crawling::Crawl]
        # @raise [Core::Error::InvalidInput]
        def start(site, now:, slots: SLOTS, queue: Runtime::Queue::SHARED, urls: nil)
          urls &&= checked(urls)
          ActiveRecord::Base.transaction do
            crawl = Store::Crawling::Crawl.begin(site, now: now, slots: slots, queue: queue, urls: urls)
            if urls.nil? && crawl.crawl_settings.start_to_find?
              Runtime::Queue.enqueue("FindStart", {crawl_id: crawl.id}, queue: queue)
            else
              enqueue(crawl)
            end
            crawl
          end
        end

        # @param now [Time]
        # @return [Integer] how many crawls were started since their time has come
        def start_due(now)
          started = 0
          started += 1 while Store::Crawling::Timetable.take_due(now) { |site| start(site, now: now) }
          started
        end

        # @param crawl [Store::Crawling::Crawl]
        # @param kept [Boolean] whether it stays however old it becomes
        # @return [Store::Crawling::Crawl]
        def keep(crawl, kept) = crawl.tap { |one| one.update!(kept: kept) }

        # Lets nothing further be fetched until it is resumed.
        #
        # @param crawl [Store::Crawling::Crawl]
        # @return [void]
        # @raise [Core::Error::Conflict] where it isn't fetching
        def pause(crawl)
          if crawl.advance(Store::Crawling::Crawl::CRAWLING, Store::Crawling::Crawl::PAUSED) ||
              crawl.advance(Store::Crawling::Crawl::WAITING, Store::Crawling::Crawl::PAUSED)
            return
          end

          raise Core::Error::Conflict.new("Crawl #{crawl.number} isn't fetching, so it can't be paused.")
        end

        # @param crawl [Store::Crawling::Crawl]
        # @return [void]
        # @raise [Core::Error::Conflict] where it isn't paused
        def resume(crawl)
          ActiveRecord::Base.transaction do
            unless crawl.advance(
              Store::Crawling::Crawl::PAUSED,
              crawl.started_at ? Store::Crawling::Crawl::CRAWLING : Store::Crawling::Crawl::WAITING,
              message: nil
            )
              raise Core::Error::Conflict.new("Crawl #{crawl.number} isn't paused, so it can't be resumed.")
            end

            enqueue(crawl)
          end
        end

        # Ends fetching early; what was fetched is judged.
        #
        # @param crawl [Store::Crawling::Crawl]
        # @param now [Time]
        # @return [void]
        # @raise [Core::Error::Conflict] where it isn't fetching
        def stop(crawl, now:)
          return if end_fetching(crawl, now, message: STOPPED)

          raise Core::Error::Conflict.new("Crawl #{crawl.number} isn't fetching any more, so it can't be stopped.")
        end

        # @return [Boolean] whether it was this call that ended it
        def end_fetching(crawl, now, message: nil)
          ActiveRecord::Base.transaction do
            ended = Store::Crawling::Crawl::FETCHING.any? do |state|
              crawl.advance(state, Store::Crawling::Crawl::JUDGING, fetching_ended_at: now, message: message)
            end
            Runtime::Queue.enqueue("Judge", {crawl_id: crawl.id}, queue: crawl.queue) if ended
            ended
          end
        end

        # @param crawl [Store::Crawling::Crawl]
        # @return [void]
        def enqueue(crawl)
          crawl.slots.times do |slot|
            Runtime::Queue.enqueue("CrawlSlice", {crawl_id: crawl.id, slot: slot}, queue: crawl.queue)
          end
        end

        def checked(urls)
          raise Core::Error::InvalidInput.new("Give at least one URL to fetch.") if urls.empty?
          if urls.size > MOST_URLS
            raise Core::Error::InvalidInput.new(
                    "At most #{MOST_URLS} URLs can be fetched at once; these are #{urls.size}."
                  )
          end

          urls.map { |url| Core::Url::NormalForm.of(url) }
        end
        private_class_method :checked
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Requests
      # The URLs of a site that its indexes are to fetch again, day by day within the quota of each.
      class Queue
        Request = Store::Requests::FetchRequest
        MOST_AT_ONCE = 500

        # @param site [Store::Sites::Site]
        # @param now [Time]
        def initialize(site, now:)
          @site = site
          @now = now
          @indexes = Store::Evidence::Index.of(site).to_a
        end

        # What is asked for already isn't twice.
        #
        # @param urls [Array<String>] in normal form
        # @param why [String]
        # @param indexes [Array<Store::Evidence::Index>] which it concerns
        # @return [Integer] how many are new
        def enter(urls, why:, indexes: @indexes)
          importance = ledger.importance(urls)
          scope = @site.crawl_settings.scope
          urls = urls.uniq.select { |url| scope.host?(url) }
          rows =
            indexes.flat_map do |index|
              waiting = Request.waiting(index).where(url: urls).pluck(:url)
              (urls - waiting).select { |url| covers?(index, url) }.map { |url| row(index, url, importance, why) }
            end
          Request.insert_all(rows) if rows.any?
          rows.size
        end

        # By hand: pages, and what they link to directly where that is wanted.
        #
        # @param urls [Array<String>]
        # @param linked [Boolean]
        # @param by [String]
        # @return [Integer] how many are new
        # @raise [Core::Error::InvalidInput]
        def add(urls, linked:, by:)
          raise wrong("The site has no index yet: bring one under Crawl, Evidence.") if @indexes.empty?

          urls = urls.map { |url| Core::Url::NormalForm.parse(url).to_s }
          Scoped.check(@site, urls)
          urls += urls.flat_map { |url| ledger.linked_from(url) } if linked
          raise wrong("#{MOST_AT_ONCE} URLs can be asked for at once at most.") if urls.uniq.size > MOST_AT_ONCE

          enter(urls, why: "by hand, #{by}")
        end

        # Asks for today's portion through the interface of the index; what the index has fetched meanwhile is passed
        # over, and what it refuses is told.
        #
        # @param index [Store::Evidence::Index] that has an address
        # @param interface [Object] of Ports::Indexes
        # @return [Hash{Symbol => Integer}] asked, refused, skipped
        # @raise [Ports::Indexes::Unavailable]
        def ask(index, interface: Evidence::Pulling.interface(index))
          done = {asked: 0, refused: 0, skipped: skip_fetched(index)}
          today(index).each do |request|
            interface.request(request.url)
            request.update!(state: Request::ASKED, asked_at: @now)
            done[:asked] += 1
          rescue Ports::Indexes::Refused => error
            request.update!(state: Request::REFUSED, reason: error.message, asked_at: @now)
            done[:refused] += 1
          end
          done
        end

        # For an index without an interface: somebody has asked.
        #
        # @param ids [Array<Integer>]
        # @param state [String] asked, or skipped where nobody shall
        # @return [void]
        def tick(ids, state)
          Request
            .where(site_id: @site.id, id: ids, state: Request::WAITING)
            .update_all(state: state, asked_at: @now)
        end

        # @param index [Store::Evidence::Index]
        # @return [Array<Array(Store::Requests::FetchRequest, Date)>] the queue, each with its day
        def days(index)
          Core::Requests::Portions.of(
            Request.waiting(index).to_a,
            quota: quota(index),
            used: Request.used(index, @now.to_date),
            today: @now.to_date
          )
        end

        # @param index [Store::Evidence::Index]
        # @return [Integer] a day
        def quota(index) = index.quota || Core::Requests::Portions::USUAL_QUOTA

        private

        def today(index) = days(index).select { |_, day| day == @now.to_date }.map(&:first)

        # It came by itself since it was entered.
        def skip_fetched(index)
          waiting = Request.waiting(index).to_a
          outcomes = Request.outcomes(waiting.map(&:id))
          came = waiting.select { |one| outcomes.dig(one.id, "last_fetched")&.>(one.entered_at.to_date) }
          came.each { |one| one.update!(state: Request::SKIPPED, reason: "the index came by itself") }
          came.size
        end

        def row(index, url, importance, why) =
          {
            site_id: @site.id,
            index_id: index.id,
            url_id: id(url),
            url: url,
            importance: importance[url] || 0,
            why: why,
            entered_at: @now
          }

        def covers?(index, url)
          hosts = index.hosts.to_a
          hosts.empty? || hosts.include?(Core::Url::Authority.of(url))
        end

        def ledger = @ledger ||= Store::Ledger::Lookup.new(@site.newest_verdicts)

        def id(url) = Core::Url::NormalForm.id(@site.id, url)

        def wrong(message) = Core::Error::InvalidInput.new(message)
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # Stores what a slot of a crawl has fetched: first the new URLs it brings, then facts, raw answers, texts and
      # links by COPY and the closing of the leases in one transaction. What a dead worker held is fetched again;
      # nothing is half done.
      class FactsWriter
        # @param crawl [Crawling::Crawl]
        # @param slot [Integer]
        # @param hosts [Crawling::Hosts]
        # @param discovery [Core::Crawling::Discovery]
        # @param now [#call] gives the time
        def initialize(crawl, slot:, hosts:, discovery:, now:)
          @crawl = crawl
          @slot = slot
          @hosts = hosts
          @discovery = discovery
          @now = now
          @ids = Crawling::UrlIds.new(crawl.site_id, crawl.crawl_settings.scope)
          @rows = FactsRows.new(crawl, ids: @ids, now: now)
          @copies = FactsRows::COLUMNS.to_h { |parent, columns| [parent, Postgres::BulkCopy.new(parent, columns)] }
          @spaces = Crawling::SpaceIds.new(crawl)
          @renderings = Renderings.new(crawl.id)
        end

        # @param outcomes [Array<Core::Crawling::Outcome>]
        # @param token [Integer] of the lease
        # @return [void]
        # @raise [Crawling::Leases::Lost]
        def write(outcomes, token)
          rows = @rows.call(outcomes)
          found =
            outcomes.flat_map { |outcome| @discovery.call(outcome) }.group_by(&:url).map { |_, finds| best(finds) }
          found.each { |find| @ids.of(find.url) }
          add(@ids.take_new, entries(found))
          keep(outcomes, rows, token)
          @discovery.settle(found.filter_map { |find| find.url if find.purpose == :page && find.reason.nil? })
        end

        # @param outcomes [Array<Core::Crawling::Outcome>] whose answers may be better later
        # @param token [Integer] of the lease
        # @param until_time [Time]
        # @return [void]
        # @raise [Crawling::Leases::Lost]
        def put_off(outcomes, token, until_time, counted: true)
          ActiveRecord::Base.transaction do
            Crawling::Counters.add(@crawl.id, @slot, {"retried" => outcomes.size}) if counted
            @crawl.leases.put_off(outcomes.map { |outcome| outcome.item.id }, token, until_time, counted: counted)
          end
        end

        # Leaves out what is still to come of a space whose pages are all alike.
        #
        # @param kind [String]
        # @param prefix [String] with which all its URLs begin
        # @param fetched [Integer] pages of it
        # @return [void]
        def close_space(kind, prefix, fetched) = @crawl.frontier.leave_out(prefix, @spaces.close(kind, prefix, fetched))

        private

        # A crash of the server may take the last moment's work; the leases are open then as well, and it is done again.
        def transaction
          ActiveRecord::Base.transaction do
            Postgres::Sql.raw.exec("SET LOCAL synchronous_commit TO off")
            yield
          end
        end

        def keep(outcomes, rows, token)
          transaction do
            @crawl.leases.close(outcomes.map { |outcome| outcome.item.id }, token)
            rows.each do |parent, values|
              @copies.fetch(parent).call(Postgres::Partitions.name(parent, @crawl.id), values) if values.any?
            end
            @renderings.keep(outcomes)
            count(outcomes)
          end
        rescue PG::CharacterNotInRepertoire
          # Readers leave no NUL in what they give; should one slip through all the same, it must not stop the crawl.
          cleaned = rows.transform_values { |values| values.map { |row| without_nul(row) } }
          raise if cleaned == rows

          keep(outcomes, cleaned, token)
        end

        def without_nul(row)
          row.map do |value|
            case value
            when String then (value.encoding == Encoding::UTF_8) ? value.delete("\0") : value
            when Array then without_nul(value)
            else value
            end
          end
        end

        def add(new_urls, entries)
          transaction do
            Crawling::Urls.add(@crawl.site_id, new_urls, @now.call)
            @crawl.frontier.add(entries)
          end
        end

        # A URL with several mentions is fetched if one of them wants it, as a page rather than as a resource.
        def best(finds)
          finds.min_by { |find| [find.reason ? 1 : 0, Crawling::Frontier::PURPOSES.fetch(find.purpose), find.depth] }
        end

        # Worked out before the transaction, since rows of hosts and spaces must not stay locked.
        def entries(found)
          found.map do |find|
            space_id, full = (find.purpose == :page && find.reason.nil?) ? @spaces.of(find.url) : nil
            Crawling::Frontier::Entry.new(
              id: @ids.of(find.url),
              url: find.url,
              purpose: find.purpose,
              depth: find.depth,
              hops: find.hops,
              reason: full ? :space : find.reason,
              host_id: @hosts.id(authority(find.url)),
              space_id: space_id
            )
          end
        end

        def authority(url) = Core::Url::NormalForm.split(url).authority

        # The crawl's own row comes last (Crawling::Leases::TAKE).
        def count(outcomes)
          fetched = outcomes.select(&:fetched?)
          Crawling::FetchErrors.keep(@crawl.id, fetched, @now.call)
          @hosts.count(@slot, fetched.group_by { |one| one.item.host_id }.transform_values { |some| host_sums(some) })
          Crawling::Counters.add(@crawl.id, @slot, Crawling::Counters.of(outcomes))
          @crawl.leases.give_back(outcomes.size - fetched.size)
        end

        def host_sums(outcomes)
          [outcomes.size, outcomes.count { |one| one.answer.error }, outcomes.sum { |one| one.answer.response_ms }]
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Pages
      # What scripts of a page asked for in vain, though the page was crawled as it was sent: each is put among what the
      # crawl knows, as a resource that robots.txt keeps from it and that the page embeds.
      class LackedResources
        EMBEDDED = <<~SQL
          INSERT INTO %<links>s (crawl_id, position, source_id, target_id, type, followed, internal)
          SELECT $1, (SELECT coalesce(max(position), -1) FROM %<links>s WHERE source_id = $2) + new.place, $2, new.id,
            new.type, TRUE, new.internal
          FROM unnest($3::bigint[], $4::smallint[], $5::boolean[]) WITH ORDINALITY AS new (id, type, internal, place)
        SQL
        KNOWN = "SELECT url_id FROM %<page_facts>s WHERE url_id = ANY($1::bigint[])"

        # @param crawl [Crawling::Crawl] whose fetching has ended
        # @param now [Time]
        def initialize(crawl, now:)
          @crawl, @now = crawl, now
          @ids = Crawling::UrlIds.new(crawl.site_id, crawl.crawl_settings.scope)
          @hosts = Crawling::Hosts.new(crawl)
          @rows = FactsRows.new(crawl, ids: @ids, now: -> { now })
          @copy = Postgres::BulkCopy.new("page_facts", FactsRows::COLUMNS.fetch("page_facts"))
          @policies = Robots::RobotsFiles.policies(crawl.id, crawl.crawl_settings.agent)
        end

        # @param page_id [Integer]
        # @param links [Array<Core::Page::Link>] of it
        # @return [void]
        def keep(page_id, links)
          blocked = links.to_h { |link| [link, decision(link.target)] }.compact
          return if blocked.empty?

          ActiveRecord::Base.transaction do
            know(blocked)
            embed(page_id, blocked.keys)
          end
        end

        private

        # @return [Core::Robots::Policy::Decision, nil] nil where the crawl doesn't know of a block
        def decision(url)
          parts = Core::Url::NormalForm.split(url)
          @policies[parts.origin]&.decide(parts)&.then { |one| one unless one.allowed? }
        end

        def know(blocked)
          outcomes =
            blocked.map { |link, decision| Core::Crawling::Outcome.new(item: item(link.target), decision: decision) }
          Crawling::Urls.add(@crawl.site_id, @ids.take_new, @now)
          @crawl.frontier.add_settled(outcomes.map { |outcome| entry(outcome.item) })
          facts = @rows.call(without_facts(outcomes)).fetch("page_facts")
          @copy.call(names.fetch(:page_facts), facts) if facts.any?
        end

        def item(url)
          host = @hosts.id(Core::Url::NormalForm.split(url).authority)
          Crawling::Frontier::Item.new(@ids.of(url), url, Crawling::Frontier::PURPOSES[:resource], 0, 0, host, 0, 0)
        end

        def entry(item) =
          Crawling::Frontier::Entry.new(id: item.id, url: item.url, purpose: :resource, depth: 0, host_id: item.host_id)

        def without_facts(outcomes)
          ids = Postgres::Sql.array(outcomes.map { |outcome| outcome.item.id })
          known = Postgres::Sql.run(format(KNOWN, names), [ids]).column_values(0).map(&:to_i)
          outcomes.reject { |outcome| known.include?(outcome.item.id) }
        end

        def embed(page_id, links)
          rows = links.map { |link| [@ids.of(link.target), FactsRows::TYPES[link.type], @ids.internal?(link.target)] }
          Postgres::Sql.run(format(EMBEDDED, names), [@crawl.id, page_id, *Postgres::Sql.columns(rows)])
        end

        def names = Postgres::Partitions.of_crawl(@crawl.id)
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Decisions
      # Asks the pages that a decision is about, now and as the crawler, whether what was decided is there.
      class CheckNow
        # Of a decision about many pages, so many are asked: those that matter most.
        MOST = 5

        # @param crawl [Store::Crawling::Crawl] judged
        def initialize(crawl)
          @crawl = crawl
          @live = Crawling::LiveFetch.new(crawl, "crawler")
        end

        # @param decision [Store::Decisions::Decision]
        # @return [Hash] pages ([{url, url_id, holds, conditions ([{name, wanted, found, holds}]), live (LiveFetch)}])
        #   and total (how many pages it is about)
        # @raise [Core::Error::InvalidInput] of a decision that no page can show
        def call(decision)
          if decision.value.nil?
            raise Core::Error::InvalidInput.new("That nothing is decided any more can't be checked.")
          end
          return {pages: [robots(decision)], total: 1} if decision.kind == "robots"

          pages, total = Store::Decisions::Concerned.new(@crawl.verdict_run, most: MOST).of(decision)
          if pages.empty?
            raise Core::Error::InvalidInput.new("The crawl knows no page that this is about, so there is none to ask.")
          end

          {pages: pages.map { |page| checked(decision, page) }, total: total}
        end

        private

        def checked(decision, page)
          live = @live.call(page["url"])
          kind = Core::Decisions::Registry.fetch(decision.kind)
          build(page, kind.seen(decision.subject, decision.value, seen(page["url"], live)), live)
        end

        def build(page, conditions, live) =
          page.transform_keys(&:to_sym).merge(
            holds: conditions.all?(&:holds),
            conditions: conditions.map(&:to_h),
            live: live
          )

        def seen(url, live)
          Core::Decisions::Seen::Page.new(
            url: url,
            blocked: live[:blocked],
            error: live[:error],
            hops: live[:hops].map { |hop| hop.values_at(:url, :status) },
            **live.slice(:noindex, :nofollow, :canonical),
            links: live[:links]&.select { |link| link[:type] == "anchor" }&.map { |link| link.values_at(:url, :text) },
            hreflang: live[:hreflang]&.map { |one| one.values_at(:code, :url) }
          )
        end

        # The file as it is now, line by line as it was drafted.
        def robots(decision)
          url = "#{decision.subject}/robots.txt"
          live = @live.file(url)
          lines = ->(text) { text.to_s.scrub.lines.map(&:strip).reject(&:empty?) }
          same = lines.call(live[:text]) == lines.call(decision.value["text"])
          found = if live[:status]
            "status #{live[:status]}, #{same ? "as drafted" : "other lines"}"
          else
            live[:error]
          end
          condition = Core::Decisions::Seen.condition("robots.txt", "as drafted", found, same)
          build({"url" => url, "url_id" => nil}, [condition], live.except(:text))
        end
      end
    end
  end
end

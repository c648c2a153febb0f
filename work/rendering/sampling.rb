# frozen_string_literal: true

module IronTrellis
  module Work
    module Rendering
      # Once a crawl that reads pages as they are sent is over, some of each folder are looked at after their scripts,
      # which tells cheaply where scripts matter.
      class Sampling
        PAGES = 5
        BATCH = 4

        # @param crawl [Store::Crawling::Crawl]
        # @param now [Time]
        def initialize(crawl, now:)
          @crawl = crawl
          @now = now
          @renderings = Store::Pages::Renderings.new(crawl.id)
        end

        # @param seconds [Numeric] for which it may go on
        # @return [Boolean] whether more is to be done
        def call(seconds)
          return false unless @crawl.crawl_settings.rendering == "both"

          deadline = monotonic + seconds
          open = sample
          until open.empty?
            render(open.shift(BATCH))
            break if monotonic > deadline
          end
          open.any?
        end

        private

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        # Those of each page group that are the fewest clicks away, and weren't looked at yet.
        def sample
          intent_rules = @crawl.site.intent_rules
          groups = @renderings.pages.group_by { |page| intent_rules.group(page["url"]) }
          known = @renderings.known
          groups.values.flat_map { |some| some.first(PAGES) }.reject { |page| known.key?(page["url_id"]) }
        end

        # The database is asked by this thread alone.
        def render(pages)
          browsers = CrawlBrowsers.of(@crawl)
          answers = @renderings.answers(pages.map { |page| page["url_id"] })
          pages
            .map { |page| [page["url_id"], looked(browsers, page["url"], answers.fetch(page["url_id"]))] }
            .each { |id, thread| keep(id, thread.value) }
        end

        def keep(id, reading)
          @renderings.compared(id, reading)
          lacked.keep(id, reading.lacked)
        end

        def lacked = @lacked ||= Store::Pages::LackedResources.new(@crawl, now: @now)

        def looked(browsers, url, row) =
          Thread.new { browsers.call(Core::Url::NormalForm.parse(url), answer(row)) }

        def answer(page) =
          Core::Crawling::Answer.new(
            status: 200,
            header_lines: page["header_lines"].split("\n"),
            body: page["body"].to_s
          )
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # By what a crawl ended: one word for programs, a sentence for people where it didn't read all there is.
      module HowEnded
        ALL_READ = "all_read"
        WHY = {
          "limit" => "The limit of URLs was reached before all were read: what wasn't fetched is counted apart.",
          "stopped" => "It was stopped before all URLs were read: what wasn't fetched is counted apart.",
          "failed" => "It failed before it was done.",
          "trap" => "Addresses without end were met and left aside: leave them out by a pattern.",
          "blocked" => "Only the first page could be read, since robots.txt or nofollow closes all others. Open " \
            "them, or crawl with robots.txt set aside."
        }.freeze
        FEW = 1

        module_function

        # @param crawl [Store::Crawling::Crawl] that has ended
        # @return [String] a key of WHY, or ALL_READ
        def of(crawl)
          return "failed" if crawl.state == Store::Crawling::Crawl::FAILED
          return "stopped" if crawl.message == Runs::STOPPED
          return "limit" if crawl.cut_short?
          return "blocked" if blocked?(crawl)

          Store::Crawling::Spaces.named(crawl.id).any? ? "trap" : ALL_READ
        end

        # @param crawl [Store::Crawling::Crawl]
        # @return [String, nil] a sentence; nil where all was read
        def explain(crawl) = WHY[of(crawl)]

        # It read one page, and more is known that it wasn't let to.
        def blocked?(crawl)
          run = crawl.verdict_run or return false
          read, closed = Store::Reports::AuditRows.new(crawl, run).read_and_closed
          read == FEW && closed.positive?
        end
        private_class_method :blocked?
      end
    end
  end
end

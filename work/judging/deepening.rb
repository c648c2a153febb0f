# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # When all is fetched: opens what was found too deep, by a long way, though a shorter one leads there. So a crawl
      # to a certain depth brings the same pages in whatever order they came.
      class Deepening
        # @param crawl [Store::Crawling::Crawl]
        def initialize(crawl)
          @crawl = crawl
        end

        # @return [Integer] how many URLs wait again
        def call
          too_deep = @crawl.frontier.too_deep
          return 0 if too_deep.empty?

          depths = Store::Judging::CrawlGraph.new(@crawl).crawl_depths
          most = @crawl.crawl_settings.max_depth
          @crawl.frontier.deepen(too_deep.to_h { |id| [id, depths[id]] }.select { |_, depth| depth && depth <= most })
        end
      end
    end
  end
end

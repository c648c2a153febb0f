# frozen_string_literal: true

module IronTrellis
  module Work
    module Sites
      # Drops old crawls of a site by its settings: the newest stay, and those that are marked to be kept.
      module Pruning
        module_function

        # @param site [Store::Sites::Site]
        # @return [Integer] how many were dropped
        def call(site)
          most = site.crawl_settings.keep_crawls
          return 0 if most.zero?

          old =
            site.crawls.where(state: Store::Crawling::Crawl::ENDED, kept: false).offset(most).to_a - [site.newest_crawl]
          old.each(&:drop).size
        end
      end
    end
  end
end

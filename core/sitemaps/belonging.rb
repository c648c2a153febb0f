# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # Whether a URL belongs into a sitemap: a document that should be indexed, answers 200, passes every rung that a
      # crawl can judge, and was not decided to stand behind another. What is built, what is missed in the published
      # files and what is told to be in its place there all go by this.
      module Belonging
        DOCUMENTS = %w[html].freeze
        # PDFs belong where the plan of the sitemaps asks for them.
        WITH_PDFS = %w[html pdf].freeze
        # The rung that only the index can judge.
        BY_INDEX = Ladder::Rungs::Indexed::NAME
        # Those that say nothing of whether a page that says noindex could be listed without it.
        JUDGED_OTHERWISE = [Ladder::Rungs::Open::NAME, BY_INDEX].freeze

        module_function

        # @param page [#url, #kind, #status, #wanted, #indexable, #stop, #chosen_canonical]
        # @param pdfs [Boolean] whether PDFs are listed too
        # @return [Boolean]
        def belongs?(page, pdfs: false)
          kinds(pdfs).include?(page.kind) && page.status == 200 && page.wanted && page.indexable &&
            [nil, BY_INDEX].include?(page.stop) && [nil, page.url].include?(page.chosen_canonical)
        end

        # Pages that would belong in sitemaps if they were wanted and said no noindex: all other rungs that a crawl
        # judges are passed.
        #
        # @param page [#url, #kind, #status, #indexable, #stop, #chosen_canonical, #copy_of, #soft_missing, #noindex,
        #   #climb] the climb as a list of {"rung", "state"}
        # @return [Boolean]
        def listable?(page)
          return false if page.kind != "html" || page.status != 200 || page.copy_of || page.soft_missing
          return false unless [nil, page.url].include?(page.chosen_canonical)
          return page.indexable && [nil, BY_INDEX].include?(page.stop) unless page.noindex

          page.climb.none? { |rung| rung["state"] == "stop" && !JUDGED_OTHERWISE.include?(rung["rung"]) }
        end

        # @param pdfs [Boolean]
        # @return [Array<String>] kinds of documents that are listed
        def kinds(pdfs) = pdfs ? WITH_PDFS : DOCUMENTS
      end
    end
  end
end

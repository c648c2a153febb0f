# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # Whether what was decided of a URL is what a crawl found there: it is kept out, its canonical is the one that was
      # chosen, it redirects where it should, it is gone. What is so isn't wanted any more, and its fall on the ladder
      # was meant.
      module Fulfilment
        KEPT_OUT = "kept out"
        CANONICAL = "canonical"
        ROUTE = "redirect"
        GONE = "gone"

        module_function

        # @param page [Faults::Subject]
        # @param routes [Redirects::Table] those that were decided
        # @return [String, nil] which decision; nil where none is fulfilled
        def of(page, routes)
          return route(page, routes) if page.redirect_to || page.gone?
          if page.chosen_canonical && page.chosen_canonical != page.url && page.canonical == page.chosen_canonical
            return CANONICAL
          end

          KEPT_OUT if page.intent == "keep_out" && !page.indexable && !page.status.nil?
        end

        def route(page, routes)
          answer = routes.answer(page.url) or return (KEPT_OUT if page.intent == "keep_out")
          return (GONE if page.gone?) if answer.target.nil?

          ROUTE if [page.redirect_to, page.final_url].include?(answer.target)
        end
        private_class_method :route
      end
    end
  end
end

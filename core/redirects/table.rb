# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # Tells what a redirect map answers to a URL: rules for one address stand before patterns; of these the first that
      # fits wins, those that speak of the query before those that take any.
      class Table
        # What is answered: the rule that decides, and where it leads (nil for 410).
        Answer = Struct.new(:route, :target, keyword_init: true)

        # @param routes [Array<Route>] in order
        # @raise [Url::Pattern::Malformed]
        def initialize(routes)
          patterns, exact = self.class.in_order(routes)
          @exact = exact.each_with_object({}) { |route, found| (found[key(route)] ||= []) << route }
          @patterns = patterns.map { |route| [Url::Pattern.new(route.from), route] }
        end

        # @param routes [Array<Route>]
        # @return [Array(Array<Route>, Array<Route>)] patterns in the order in which they are tried, and rules for one
        #   address
        def self.in_order(routes)
          patterns, exact = routes.partition(&:pattern?)
          [patterns.partition { |route| route.query == "match" }.flatten, exact]
        end

        # @param url [String] in normal form
        # @return [Answer, nil]
        def answer(url) = exact(url) || by_pattern(url)

        private

        def key(route) = route.from.sub(/\?.*/m, "")

        def exact(url)
          path, mark, query = url.partition("?")
          route = @exact[path]&.find { |one| (one.query == "match") ? one.from == url : true } or return
          Answer.new(route: route, target: route.to && with_query(route, route.to, mark, query))
        end

        def by_pattern(url)
          path, mark, query = url.partition("?")
          @patterns.each do |pattern, route|
            filled = pattern.fill(route.to.to_s, (route.query == "match") ? url : path) or next
            return Answer.new(route: route, target: route.to && with_query(route, filled, mark, query))
          end
          nil
        end

        def with_query(route, target, mark, query)
          return target if route.query != "keep" || mark.empty?

          target + (target.include?("?") ? "&" : "?") + query
        end
      end
    end
  end
end

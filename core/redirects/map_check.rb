# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # Looks at a redirect map as a whole: loops, chains, two rules for one source, statuses that are none of a
      # redirect. Of two rules for one source the first stands, as servers take the first that fits.
      class MapCheck
        # @param routes [Array<Route>] in order
        def initialize(routes)
          @routes = routes
          @keys = Hash.new { |keys, url| keys[url] = self.class.key(url) }
          @by_source = routes.each_with_object({}) { |route, found| found[@keys[route.from]] ||= route }
          trace
        end

        # Two spellings of one address are one. What can't be read as an address is compared as it stands.
        #
        # @param url [String] whole, or a path
        # @return [String]
        #   MapCheck.key("HTTP://A.test:80/x#part") # => "http://a.test/x"
        def self.key(url)
          parts = Url::NormalForm.parse?(url.start_with?("/") ? "#{ANYWHERE}#{url}" : url)
          parts ? parts.to_s.delete_prefix(ANYWHERE) : url
        end

        # Paths stand for themselves on whichever host the map is used.
        ANYWHERE = "http://path.invalid"

        # @return [Array<Flaw>] in the order of the rules
        def flaws
          @routes.flat_map { |route| [status(route), place(route)].compact }
        end

        # @return [Array<Route>] every rule that comes to an end, with its last target: chains are shortened, loops and
        #   what leads into them left out
        def flattened
          standing.filter_map do |route|
            last = @ends[route] or next
            status = last.gone? ? Route::GONE : route.status
            Route.new(from: route.from, to: last.gone? ? nil : last.to, status: status, line: route.line)
          end
        end

        private

        def standing = @routes.select { |route| stands?(route) }

        def stands?(route) = @by_source[@keys[route.from]].equal?(route)

        def status(route)
          fits = Route::STATUSES.include?(route.status) && route.gone? == route.to.nil?
          Flaw.new(code: "route-status", from: route.from, about: route.status.to_s) unless fits
        end

        def place(route)
          unless stands?(route)
            return Flaw.new(code: "route-twice", from: route.from, about: @by_source[@keys[route.from]].to)
          end
          return Flaw.new(code: "route-to-itself", from: route.from, about: route.to) if onward(route).equal?(route)
          return loop_of(route) if @loops[route]

          Flaw.new(code: "route-chain", from: route.from, about: route.to) if onward(route)
        end

        # Told once, at the first of its members in byte order.
        def loop_of(route) =
          (
            if @loops[route].min_by(&:from).equal?(route)
              Flaw.new(code: "route-loop", from: route.from, about: route.to)
            end
          )

        # The rule that takes over where this one leads.
        def onward(route) = (@by_source[@keys[route.to]] unless route.gone? || route.to.nil?)

        # Follows every rule to its end, each only once: @ends has the last rule of each chain, nil where there is none,
        # @loops the members of the loop that a rule is part of.
        def trace
          @ends = {}.compare_by_identity
          @loops = {}.compare_by_identity
          standing.each { |route| follow(route) unless @ends.key?(route) }
        end

        def follow(route)
          passed = {}.compare_by_identity
          until route.nil? || @ends.key?(route) || passed.key?(route)
            passed[route] = passed.size
            route = onward(route)
          end
          note_loop(passed.keys.drop(passed[route])) if passed.key?(route)
          last = route ? @ends[route] : passed.keys.last
          passed.each_key { |one| @ends[one] = last }
        end

        def note_loop(members) = members.each { |member| @loops[member] = members }
      end
    end
  end
end

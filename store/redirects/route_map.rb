# frozen_string_literal: true

module IronTrellis
  module Store
    module Redirects
      # The redirect map of a site as it was decided: checked as a whole, against the pages that live, and by what
      # servers answered.
      class RouteMap
        PAGES = "SELECT url, status, redirect_to FROM %<ledger>s WHERE url = ANY($1::text[])"
        KNOWN =
          "SELECT url FROM %<ledger>s WHERE #{Ledger::Scopes.document} ORDER BY importance DESC NULLS LAST, url_id"
        MOST_MATCHES = 100
        # So many addresses are tried of a pattern.
        MOST_SAMPLES = 3
        LIVE = (200..299)

        # @param site [Sites::Site]
        # @param run [Judging::VerdictRun, nil] of its newest crawl
        def initialize(site, run)
          @site = site
          @run = run
          @names = run && {ledger: Postgres::Partitions.name("ledger_rows", run.id)}
        end

        # @return [Array<Core::Redirects::Route>] in the order that was given them, else in which they were decided,
        #   without those that were refused
        def routes
          @routes ||=
            accepted
              .sort_by
              .with_index { |(_, value), place| [value["order"] || 0, place] }
              .map { |from, value| route(from, value) }
        end

        # @return [Hash] routes ([{from, to, status, kind, query, why, decision, flaws, test, matches, heir (whether the
        #   new address takes over; nil where no evidence has the old one moved)}]), and flaws in all
        def call
          decisions = @site.decisions.in_force("route")
          tests = RouteTest.where(site_id: @site.id).to_h { |test| [test.source, test.view] }
          flaws = flaws().group_by(&:from)
          heirs = self.heirs
          rows = routes.map do |route|
            route
              .to_h
              .slice(:from, :to, :status, :kind, :query)
              .merge(
                why: decisions[route.from].value["why"],
                decision: decisions[route.from].view,
                test: tests[route.from],
                heir: heirs[route.from],
                flaws: flaws.fetch(route.from, []).map { |flaw| {code: flaw.code, about: flaw.about} }
              )
          end
          {
            routes: rows,
            refused: decisions.count { |_, one| one.value["refused"] },
            flaws: flaws.values.flatten.map(&:code).tally
          }
        end

        # @return [Array<Core::Redirects::Route>] as servers should have them: chains shortened, loops and second rules
        #   for one address left out
        def flattened
          exact, patterns = routes.partition { |route| !route.pattern? }
          kept = Core::Redirects::MapCheck.new(exact).flattened.to_h { |route| [route.from, route] }
          exact.filter_map do |route|
            kept[route.from]&.then { |last| Core::Redirects::Route.new(**route.to_h, to: last.to, status: last.status) }
          end + patterns
        end

        # @param route [Core::Redirects::Route] not decided yet
        # @return [Hash] total, and the first of the known URLs that it would take ({url, target, status,
        #   target_status})
        def trial(route)
          table = Core::Redirects::Table.new([route])
          total = living = 0
          shown = []
          known do |urls|
            matched = urls.filter_map { |url| (answer = table.answer(url)) && [url, answer.target] }
            total += matched.size
            living += pages(matched.map(&:first)).count { |_, page| lives?(page) } if matched.any?
            shown.concat(matched.first(MOST_MATCHES - shown.size))
          end
          {total: total, living: living, rows: with_statuses(shown)}
        end

        # @param routes [Array<Core::Redirects::Route>] patterns
        # @return [Hash{Core::Redirects::Route => Hash{String => String, nil}}] some of the known URLs that each takes,
        #   with where they lead
        def samples(routes)
          found = routes.to_h { |route| [route, {}] }
          left = routes.to_h { |route| [route, Core::Redirects::Table.new([route])] }
          known do |urls|
            urls.each do |url|
              left.each { |route, table| (answer = table.answer(url)) && found[route][url] = answer.target }
              left.delete_if { |route, _| found[route].size >= MOST_SAMPLES }
              return found if left.empty?
            end
          end
          found
        end

        # @param from [String]
        # @param value [Hash]
        # @return [Core::Redirects::Route]
        def route(from, value) =
          Core::Redirects::Route.new(
            from: from,
            to: value["to"],
            status: value["status"],
            kind: value["kind"],
            query: value["query"]
          )

        private

        def heirs
          moves = routes.reject(&:pattern?).to_h { |route| [route.from, route.to] }.compact
          @run ? Evidence::Heirs.new(@run).of(moves) : {}
        end

        def known
          return unless @names

          Postgres::Sql.stream(format(KNOWN, @names)) { |rows| yield rows.map { |row| row["url"] } }
        end

        def with_statuses(shown)
          pages = pages(shown.flatten.compact)
          shown.map do |url, target|
            {
              url: url,
              target: target,
              status: pages.dig(url, "status"),
              target_status: target && pages.dig(target, "status")
            }
          end
        end

        def accepted = @site.decisions.values("route").reject { |_, value| value["refused"] }

        def flaws
          exact = routes.reject(&:pattern?)
          Core::Redirects::MapCheck.new(exact).flaws + against_pages(exact) + patterns_against_pages
        end

        # A route must not take a page that lives, and should lead to one.
        def against_pages(exact)
          pages = pages(exact.flat_map { |route| [route.from, route.to] }.compact)
          exact.flat_map do |route|
            [living(route, pages[route.from]), target(route, route.to && pages[route.to])].compact
          end
        end

        # Of a pattern its samples tell where it leads.
        def patterns_against_pages
          samples(routes.select(&:pattern?)).flat_map do |route, found|
            pages = pages(found.each_value.compact)
            found.each_value.compact.filter_map { |url| target(route, pages[url]) }.uniq(&:code)
          end
        end

        # An instant refresh answers 200 and leads elsewhere.
        def lives?(page) = LIVE.cover?(page["status"]) && page["redirect_to"].nil?

        def living(route, page) = (flaw("route-source-lives", route, page["status"].to_s) if page && lives?(page))

        def target(route, page)
          return if page.nil?
          return flaw("route-to-redirect", route, page["redirect_to"]) if page["redirect_to"]

          flaw("route-to-missing", route, page["status"].to_s) if page["status"] && page["status"] >= 400
        end

        def flaw(code, route, about) = Core::Redirects::Flaw.new(code: code, from: route.from, about: about)

        def pages(urls)
          return {} if @names.nil? || urls.empty?

          Postgres::Sql.rows(format(PAGES, @names), [Postgres::Sql.array(urls.uniq)]).to_h { |row| [row["url"], row] }
        end
      end
    end
  end
end

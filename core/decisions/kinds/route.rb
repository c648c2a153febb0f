# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Where an address leads, by which status; or that it is left as it is.
        module Route
          extend Kind

          # What would mean something else, or nothing, in the rules of a web server.
          UNFIT = /[[:cntrl:][:space:]"'`\\<>{}]|\$(?![1-9](?!\d))/

          class << self
            # @param subject [String]
            # @param value [Hash]
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              kind, query = value["kind"] || "exact", value["query"] || "match"
              problem("“#{kind}” is no kind of route.") unless Redirects::Route::KINDS.include?(kind)
              unless Redirects::Route::QUERIES.include?(query)
                problem("“#{query}” can't be done with a query; use one of #{Redirects::Route::QUERIES.join(", ")}.")
              end
              subject = (kind == "exact") ? Url::NormalForm.of(subject) : subject
              [
                subject,
                {
                  "to" => target(subject, kind, value),
                  "status" => status(value),
                  "kind" => kind,
                  "query" => query,
                  "refused" => value["refused"] || nil,
                  "why" => value["why"],
                  "order" => (value["order"] if value["order"].is_a?(Integer))
                }.compact
              ]
            end

            # (see Kind#placed)
            def placed(subject, value, &whole)
              return [subject, value] if value.is_a?(Hash) && value["kind"] == "pattern"

              [whole.call(subject), value.is_a?(Hash) ? value.merge("to" => whole.call(value["to"])) : value]
            end

            # @param subject [String]
            # @param value [Hash]
            # @return [Array(Symbol, Object)] as Kind#concerns
            def concerns(subject, _value) = matching(subject)

            # @param subject [String]
            # @param value [Hash]
            # @param page [Seen::Page]
            # @return [Array<Seen::Condition>]
            def seen(subject, value, page)
              to = target_of(subject, value, page.url)
              return [Seen.condition("Answer", "status 410", page.answer, page.status == 410)] if to.nil?

              found = page.moved? ? "#{page.status} to #{page.hops[1].first}" : page.answer
              last, status = page.hops.to_a.last
              [
                Seen.condition(
                  "Redirect",
                  "#{value["status"]} to #{to}",
                  found,
                  page.status == value["status"] && page.hops.to_a.dig(1, 0) == to
                ),
                Seen.condition(
                  "Its end",
                  "status 200",
                  page.moved? ? "status #{status || "unknown"} at #{last}" : page.answer,
                  page.moved? && status == 200
                )
              ]
            end

            private

            # Where one page leads by a pattern.
            def target_of(subject, value, url)
              to, status, kind, query = value.values_at("to", "status", "kind", "query")
              route = Redirects::Route.new(from: subject, to: to, status: status, kind: kind, query: query)
              Redirects::Table.new([route]).answer(url)&.target
            end

            def status(value)
              return value["status"] if Redirects::Route::STATUSES.include?(value["status"])

              problem(
                "#{value["status"].inspect} is no status of a redirect; use one " \
                "of #{Redirects::Route::STATUSES.join(", ")}."
              )
            end

            def target(subject, kind, value)
              to = value["to"].to_s.strip
              return problem_of_target(to, value["status"]) if to.empty? || value["status"] == Redirects::Route::GONE
              problem("The target must be a whole web address, not “#{to}”.") unless to.match?(Kind::WEB)
              return Url::NormalForm.of(to) if kind == "exact"

              if subject.match?(/[[:cntrl:]]/)
                problem("The pattern holds a character that no address can hold (a line break, say).")
              end
              if to.match?(UNFIT)
                problem(
                  "The target of a pattern can't hold spaces, quotes, backslashes, or a $ other than $1 to $9: write " \
                  "them as %20, %22, %5C and %24."
                )
              end
              captures(Url::Pattern.new(subject), to)
              to
            end

            def problem_of_target(to, status)
              if to.empty? && status != Redirects::Route::GONE
                problem("A route that leads somewhere needs a target; only 410 has none.")
              end
              problem("410 says that a page is gone, so it can have no target.") if !to.empty?
              nil
            end
          end
        end
      end
    end
  end
end

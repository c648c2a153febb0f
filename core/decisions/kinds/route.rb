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

            private

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

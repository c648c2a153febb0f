# frozen_string_literal: true

require "time"

module IronTrellis
  module Core
    module Faults
      module Rules
        # A URL that the index has, though a later look saw it missing, moved, or closed by noindex or robots.txt.
        class IndexStale < EvidenceRule
          CODE = "index-stale"
          TITLE = "The index still has what is gone, moved or closed"
          GRADE = "diverts"
          WHY = "Readers are sent to what isn't there any more, or is not to be shown."
          FIX =
            "Ask for it to be fetched again. What robots.txt blocks must be opened, shown with a noindex, and closed " \
            "again when it is out."
          SOURCE = "CP"
          DETAILS = {"crawl" => ["The crawl saw", :text], "last_fetched" => ["Fetched by the index", :text]}.freeze

          class << self
            # The index is wrong whatever was decided.
            def lets_climb? = true

            # What the crawl saw there says what is to be done about it.
            def kind(detail = {}, chosen: false)
              case detail["crawl"]
              when /noindex/ then "directives"
              when /block|robots/ then "robots"
              else "redirects"
              end
            end
          end

          def check(page, _basis)
            return unless page.in_index? && (seen = seen(page))

            fault(page, crawl: seen, last_fetched: page.last_fetched&.iso8601)
          end

          private

          def seen(page)
            status, noindex = page.live ? page.live.values_at("status", "noindex") : [page.status, page.noindex]
            case status
            when 404, 410, 300..399
              "status #{status}"
            else
              return "noindex" if noindex
              return "blocked by robots.txt" if page.robots_allowed == false

              "a redirect by refresh" if page.live.nil? && page.redirect_to
            end
          end
        end
      end
    end
  end
end

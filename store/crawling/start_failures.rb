# frozen_string_literal: true

module IronTrellis
  module Store
    module Crawling
      # Start URLs from which a crawl could not begin, with the reason in words.
      module StartFailures
        module_function

        # @param crawl [Crawl] judged
        # @return [Array<Hash>] {url:, reason:}
        def of(crawl)
          scope = crawl.crawl_settings.scope
          rows(crawl).filter_map do |row|
            reason = reason(row, scope)
            {url: row["url"], reason: reason} if reason
          end
        end

        def reason(row, scope)
          if row["redirect_to"] && !scope.host?(row["redirect_to"])
            return "it redirects to #{row["redirect_to"]}, which is not on a host in scope (add its host)"
          end

          row["stop_reason"] if %w[allowed answers].include?(row["stop"])
        end

        def rows(crawl)
          urls = crawl.crawl_settings.first_urls
          Postgres::Sql.rows(
            "SELECT url, status, error, stop, stop_reason, redirect_to " \
            "FROM #{Postgres::Partitions.name("ledger_rows", crawl.verdict_run.id)} WHERE url = ANY($1::text[])",
            [Postgres::Sql.array(urls)]
          )
        end
        private_class_method :reason, :rows
      end
    end
  end
end

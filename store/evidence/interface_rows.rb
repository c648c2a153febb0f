# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # What an index's interface tells besides evidence, as it is now: each pull replaces what was known.
      class InterfaceRows
        # @param index [Index]
        def initialize(index)
          @index = index
        end

        # @param rows [Array<Hash{String => Object}>] url, state, sent, read, errors, listed, kept
        # @return [void]
        def sitemaps(rows)
          replace("index_sitemaps", %w[url state sent_on read_on errors listed kept]) do
            rows.map { |row| row.values_at("url", "state", "sent", "read", "errors", "listed", "kept") }
          end
        end

        # @param rows [Array<Hash{String => Object}>] url, on, state
        # @return [void]
        def requests(rows)
          replace("index_requests", %w[url asked_on state]) do
            rows.map { |row| row.values_at("url", "on", "state") }.uniq
          end
        end

        # @param rows [Array<Hash{String => Object}>] url, asked_on, ends_on and only_copy
        # @param now [Time]
        # @return [void]
        def hides(rows, now)
          urls = rows.to_h { |row| [Core::Url::NormalForm.id(@index.site_id, row["url"]), row["url"]] }
          Crawling::Urls.add(@index.site_id, urls, now)
          replace("index_hides", %w[url_id asked_on ends_on only_copy]) do
            rows.map do |row|
              [
                Core::Url::NormalForm.id(@index.site_id, row["url"]),
                *row.values_at("asked_on", "ends_on"),
                row["only_copy"] == true
              ]
            end
          end
        end

        # @return [Array<Hash>] what is known of the sitemaps, by URL
        def known_sitemaps =
          Postgres::Sql.rows(
            "SELECT url, state, sent_on, read_on, errors, listed, kept FROM index_sitemaps WHERE index_id = $1 " \
              "ORDER BY url",
            [@index.id]
          )

        private

        def replace(table, columns)
          values = yield
          Postgres::Sql.run("DELETE FROM #{table} WHERE index_id = $1", [@index.id])
          holes = columns.each_index.map { |place| "$#{place + 2}" }.join(", ")
          sql = "INSERT INTO #{table} (index_id, #{columns.join(", ")}) VALUES ($1, #{holes}) ON CONFLICT DO NOTHING"
          values.each { |row| Postgres::Sql.run(sql, [@index.id, *row]) }
        end
      end
    end
  end
end

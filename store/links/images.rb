# frozen_string_literal: true

module IronTrellis
  module Store
    module Links
      # The images that pages of a crawl show, one row each: how large, on how many pages, and what is said there in
      # their place.
      class Images
        include Enumerable

        PAGE = 200
        MOST_SECONDS = 8
        ALTS = {"missing" => "missing > 0", "empty" => "empty > 0", "given" => "given > 0"}.freeze
        SORTS = %w[url name status bytes content_type pages missing empty given].freeze
        COLUMNS = %w[url name status error content_type bytes pages missing empty given alt page].freeze
        # Of pages that name it differently, the text that most do; and the page that matters most.
        IMAGES = <<~SQL
          SELECT u.id AS url_id, u.url, regexp_replace(split_part(split_part(u.url, '?', 1), '#', 1), '^.*/', '') AS
            name, t.status, t.error, t.content_type, t.bytes, i.pages, i.missing, i.empty, i.given, i.alt, i.page,
              i.page_id
          FROM (
            SELECT k.target_id, count(DISTINCT k.source_id) AS pages, count(DISTINCT k.source_id) FILTER (WHERE k.text
              IS NULL) AS missing, count(DISTINCT k.source_id) FILTER (WHERE k.text = '') AS empty,
              count(DISTINCT k.source_id) FILTER (WHERE k.text <> '') AS given, mode() WITHIN GROUP (ORDER BY
                nullif(k.text, '')) AS alt,
              (array_agg(s.url ORDER BY s.importance DESC NULLS LAST, s.url))[1] AS page, (array_agg(s.url_id ORDER BY
                s.importance DESC NULLS LAST, s.url))[1] AS page_id
            FROM %<links>s k JOIN %<ledger>s s ON s.url_id = k.source_id WHERE k.type = #{Fields::IMAGE} GROUP BY
              k.target_id
          ) i JOIN urls u ON u.id = i.target_id LEFT JOIN %<ledger>s t ON t.url_id = i.target_id
        SQL

        # @param crawl [Crawling::Crawl] judged
        # @param text [String, nil] a part of the image's address or of its alt text
        # @param alt [String, nil] missing, empty or given on some page
        # @param sort [String, nil] one of SORTS, with "-" in front for descending
        # @raise [Core::Error::InvalidInput]
        def initialize(crawl, text: nil, alt: nil, sort: nil)
          @images =
            format(
              IMAGES,
              links: Postgres::Partitions.name("links", crawl.id),
              ledger: Postgres::Partitions.name("ledger_rows", crawl.verdict_run.id)
            )
          @sort = sort.to_s.empty? ? "-bytes" : sort
          unless SORTS.include?(column)
            raise Core::Error::InvalidInput.new(
                    "Images can't be sorted by “#{column}”; use one of #{SORTS.join(", ")}."
                  )
          end
          unless alt.to_s.empty? || ALTS.key?(alt)
            raise Core::Error::InvalidInput.new(
                    "“#{alt}” says nothing of an alt text; use one of #{ALTS.keys.join(", ")}."
                  )
          end

          @params = text.to_s.empty? ? [] : ["%#{text.gsub(/[\\%_]/) { |sign| "\\#{sign}" }}%"]
          @conditions = [("(url ILIKE $1 OR alt ILIKE $1)" if @params.any?), ALTS[alt]].compact
        end

        # @param from [Integer] how many to leave out
        # @return [Hash] rows ([{url_id, url, name, status, error, content_type, bytes, pages, missing, empty, given (on
        #   how many pages its alt text is so), alt, page, page_id}]), at most PAGE; total, bytes (of all, as far as
        #   known), next
        # @raise [Core::Error::TooMuch]
        def page(from: 0)
          rows =
            Postgres::Sql.bounded(MOST_SECONDS) do
              Postgres::Sql.rows(
                "SELECT *, count(*) OVER () AS total, (sum(bytes) OVER ())::bigint AS " \
                "whole #{from_where} LIMIT #{PAGE + 1} OFFSET #{Integer(from)}",
                @params
              )
            end
          total, bytes = rows.first&.values_at("total", "whole")
          {
            rows:
              rows
                .first(PAGE)
                .map do |row|
                  row.except("total", "whole").merge("url_id" => row["url_id"].to_s, "page_id" => row["page_id"].to_s)
                end,
            total: total || 0,
            bytes: bytes || 0,
            next: (rows.size > PAGE) ? from + PAGE : nil
          }
        rescue Postgres::Sql::Late
          raise Core::Error::TooMuch.new(
                  "There are too many images to sort them within #{MOST_SECONDS} s. Narrow them by a part of their " \
                  "address first."
                )
        end

        # @return [Array<String>] columns of its file
        def columns = COLUMNS

        # @yieldparam row [Array<Object>] values in the order of the columns
        # @return [void]
        def each
          Postgres::Sql.stream("SELECT * #{from_where}", @params) do |rows|
            rows.each { |row| yield row.values_at(*COLUMNS) }
          end
        end

        private

        def column = @sort.delete_prefix("-")

        def from_where
          where = @conditions.empty? ? "" : "WHERE #{@conditions.join(" AND ")}"
          order = "DESC" if @sort.start_with?("-")
          %(FROM (#{@images}) images #{where} ORDER BY "#{column}" #{order} NULLS LAST, url COLLATE "C")
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Evidence
      # The words of a query marked in what a page says, part by part.
      class MarkedPage
        # So much of a part is shown.
        MOST_CHARACTERS = 100_000

        # @param run [Judging::VerdictRun]
        def initialize(run)
          @run = run
          @ledger = Postgres::Partitions.name("ledger_rows", run.id)
        end

        # @param url_id [Integer]
        # @param query [String]
        # @return [Hash] url, and parts ([{part, pieces ([[words, whether they are of the query]])}]), those that the
        #   page has
        # @raise [Core::Error::NotFound] where the crawl knows no such URL, or has no text of it
        def call(url_id, query)
          parts = PageParts.new(@run.crawl).of([url_id])[url_id]
          row = Postgres::Sql.rows("SELECT url, lang FROM #{@ledger} WHERE url_id = $1", [url_id]).first
          raise Core::Error::NotFound.new("The crawl has no text of that URL.") unless parts && row

          vocabulary = Core::Content::Vocabulary.for(row["lang"])
          stems = vocabulary.stems(query)
          {
            url: row["url"],
            parts:
              parts.reject { |_, text| text.empty? }.map do |part, text|
                {part: part, pieces: vocabulary.marked(text[0, MOST_CHARACTERS], stems)}
              end
          }
        end
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Store
    module Reports
      # A page of a crawl as the crawler read it, from what is stored: as it was sent, or as its scripts left it.
      class AsRead
        ANSWER = <<~SQL
          SELECT f.url, a.header_lines, a.body FROM %<raw_answers>s a JOIN %<frontier>s f USING (url_id)
          WHERE a.url_id = $1
        SQL

        # @param crawl [Crawling::Crawl]
        # @param url_id [Integer]
        def initialize(crawl, url_id)
          @crawl = crawl
          @id = url_id
        end

        # @param query [String] whose words are marked
        # @return [Hash] rendered (whether scripts were run), lines, words, counts of the query's words
        # @raise [Core::Error::NotFound] where nothing of it is stored
        def call(query)
          facts = facts() or raise Core::Error::NotFound.new("Nothing that can be read is stored of this URL.")
          view = Core::Rendering::ReadingView.new(facts, query: query)
          {
            rendered: !@html.nil?,
            words: facts.words || 0,
            lines: view.lines.map { |line| {level: line.level, pieces: line.pieces.map(&:to_h)} },
            counts: view.counts.map { |word, times| {word: word, times: times} }
          }
        end

        private

        def facts
          row = Postgres::Sql.rows(format(ANSWER, Postgres::Partitions.of_crawl(@crawl.id)), [@id]).first
          return unless row&.fetch("body")

          _, @html = Pages::Renderings.new(@crawl.id).of(@id) if @crawl.crawl_settings.rendering == "rendered"
          read(row).then { |facts| facts if facts.text }
        rescue Core::Page::Unreadable
          nil
        end

        def read(row)
          lines = row["header_lines"].split("\n")
          lines = Core::Rendering::Reading.as_utf8(lines) if @html
          Core::Page::Reader.new(agent: @crawl.crawl_settings.agent).call(
            url: Core::Url::NormalForm.parse(row["url"]),
            header_lines: lines,
            body: @html || row["body"]
          )
        end
      end
    end
  end
end

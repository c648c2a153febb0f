# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Which pages of a crawl read like what their host answers for a page that isn't there.
      class MissingPages
        MainText = Core::Copies::MainText
        Said = Core::Content::Said

        # @param facts [Store::Pages::FactsTables] prepared
        def initialize(facts)
          @facts = facts
        end

        # @return [Hash{Integer => true}] ids of those pages
        def call
          answers = @facts.missing_pages
          return {} if answers.empty?

          @homes = @facts.homes(answers.keys).transform_values { |text| text.split("\n").to_h { |line| [line, true] } }
          @missing = answers.to_h { |authority, row| [authority, missing_page(authority, row)] }
          found = {}
          @facts.texts(answers.keys) { |rows| rows.each { |row| found[row["url_id"]] = true if like?(row) } }
          found
        end

        private

        def missing_page(authority, row)
          Core::Content::MissingPage.new(title: row["title"], text: row["text"], said: said(row, authority))
        end

        # The home page itself is none, whatever it answers for others.
        def like?(row)
          return false if row["url"].match?(%r{\Ahttps?://[^/]+/\z})

          @missing.fetch(row["authority"]).like?(
            title: row["title"],
            text: row["text"],
            said: said(row, row["authority"])
          )
        end

        def said(row, authority)
          return if row["outline"].nil? && row["text"].to_s.empty?

          lines = row["text"].to_s.split("\n")
          numbers = MainText.numbers(lines.size, row["frames"]) - (row["menus"] || [])
          Said.of(
            lines,
            numbers: numbers,
            headings: (row["outline"] || []).map(&:last),
            url: row["url"],
            home: @homes.fetch(authority, {})
          )
        end
      end
    end
  end
end

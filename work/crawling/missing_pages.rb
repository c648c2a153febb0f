# frozen_string_literal: true

module IronTrellis
  module Work
    module Crawling
      # Which pages of a crawl read like what their host answers for a page that isn't there.
      class MissingPages
        MainText = Core::Copies::MainText
        Said = Core::Content::Said
        # What pages of a host say of a missing page, on top of words of their own, is said by so many of them at most.
        SELDOM = 0.2

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
          @found = {}
          @within = Hash.new { |hosts, authority| hosts[authority] = [] }
          @pages = Hash.new(0)
          @facts.texts(answers.keys) { |rows| rows.each { |row| look_at(row) } }
          @found.merge(seldom)
        end

        private

        def missing_page(authority, row)
          Core::Content::MissingPage.new(title: row["title"], text: row["text"], said: said(row, authority))
        end

        # The home page itself is none, whatever it answers for others.
        def look_at(row)
          return if row["url"].match?(%r{\Ahttps?://[^/]+/\z})

          id, authority = row.values_at("url_id", "authority")
          missing, said = @missing.fetch(authority), said(row, authority)
          @pages[authority] += 1
          if missing.like?(title: row["title"], text: row["text"], said: said)
            @found[id] = true
          elsif missing.within?(said)
            @within[authority] << id
          end
        end

        # What stands on many pages of a host is something that all of them say, such as how to order.
        def seldom
          few = @within.select { |authority, ids| ids.size <= [1, SELDOM * @pages[authority]].max }
          few.values.flatten.to_h { |id| [id, true] }
        end

        def said(row, authority)
          return if row["outline"].nil? && row["text"].to_s.empty?

          lines = row["text"].to_s.split("\n")
          numbers = MainText.spoken(lines.size, row["frames"], row["menus"])
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

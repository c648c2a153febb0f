# frozen_string_literal: true

module IronTrellis
  module Work
    module Judging
      # Finds which pages of a crawl are copies of others, and how much of each is its own. Only the shingles of the
      # texts are held in memory.
      class CopiesOfCrawl
        MainText = Core::Copies::MainText
        ANCHORS = Store::Pages::FactsRows::ANCHORS
        # From so many pages on their words take room that is worth giving back at once.
        MANY = 5_000
        # One page while it is looked at: its lines, the numbers of those outside the frames, of those of them that
        # speak, and of those that its kind doesn't say; the words of these, and those of its own lists of links.
        Page =
          Struct.new(:id, :url, :lines, :outside, :spoken, :main, :anchors, :words, :listed) do
            def short? = words < MainText::LEAST_WORDS

            # More of it leads elsewhere than it says: contents, a menu, a front page.
            def list? = listed > words

            # What says too little to be like another is a copy only where all of it is the same.
            def fingerprint = (short? ? lines : lines.values_at(*outside)).hash
          end

        # What is kept of it: the words of its main text, whatever other pages of its kind say too, and whether it has
        # too few of its own for a share of them to say anything.
        Told = Struct.new(:id, :url, :main_words, :unshared)

        # @param texts [Store::Pages::PageTexts]
        def initialize(texts)
          @texts = texts
          @pages = []
          @finder = Core::Copies::Finder.new
        end

        # @return [Array<Hash{String => Object}>] url_id, main_words, unique_share (nil of what says nearly nothing and
        #   of lists of links), copies (others of its cluster), and of a weaker
        #   copy copy_of, similarity and reason
        def call
          @of_group = boilerplate_of_groups
          @of_folder = boilerplate_of_folders
          @own = Core::Copies::UniqueShare.new(@texts.words)
          @texts.in_order { |rows| read(rows.map { |row| page(row) }) }
          rows(found_copies, @own.shares)
        end

        private

        # What they were told by is given back before shares are told, which take as much room again.
        def found_copies
          @finder.copies.tap do
            @finder = nil
            GC.start if @pages.size > MANY
          end
        end

        def boilerplate_of_groups
          found = Hash.new({}.freeze)
          @texts.each_group_sample do |group, pages|
            found[group] = Core::Copies::Boilerplate.of(
              pages.map { |page| MainText.blocks(page["texts"], page["frames"]) }
            )
          end
          found
        end

        def boilerplate_of_folders
          frames = Core::Copies::FolderFrames.new(@texts.urls)
          @texts.in_folders(frames.sample) do |rows|
            rows.each { |row| frames.add(row["url"], MainText.blocks(row["texts"], row["frames"])) }
          end
          frames.call
        end

        def page(row)
          lines = row["texts"].split("\n")
          outside = MainText.numbers(lines.size, row["frames"])
          boilerplate = [
            @of_group[row["group"]],
            *@of_folder.values_at(*Core::Copies::FolderFrames.folders(row["url"])).compact
          ]
          main, listed = MainText.own(lines, outside, row["menus"], boilerplate)
          spoken = MainText.spoken(lines.size, row["frames"], row["menus"])
          words = [main, listed].map { |numbers| MainText.words(lines, numbers) }
          Page.new(row["url_id"], row["url"], lines, outside, spoken, main, anchors(row), *words)
        end

        def anchors(row)
          (row["anchors"] || []).each_slice(3).zip(row["anchor_targets"] || []).map do |(from, to, marks), target|
            Core::Copies::Quotes::Anchor.new(
              target: target,
              from: from,
              to: to,
              sole: marks.anybits?(ANCHORS[:sole]),
              heading: marks.anybits?(ANCHORS[:heading])
            )
          end
        end

        def read(pages)
          mains = Core::Copies::Shingles.of_all(pages.map { |page| page.short? ? "" : text(page, page.main) })
          owns = own_texts(pages, mains)
          pages.each_with_index do |page, place|
            @pages << Told.new(page.id, page.url, main_words(page), page.short? || page.list?)
            @finder.add(mains[place], page.fingerprint)
            @own.add(owns[place].first, name: page.id, quotes: owns[place].last)
          end
        end

        # What it says, and where that is a list of links of its own, what the list says.
        def main_words(page)
          said = MainText.words(page.lines, page.spoken)
          page.list? ? [said, page.listed].max : said
        end

        # @return [Array<Array>] of each page the shingles of what it says by itself, and of what it may quote with the
        #   pages that it may quote
        def own_texts(pages, mains)
          parts = pages.map { |page| page.short? ? [page.main, []] : Core::Copies::Quotes.of(page.main, page.anchors) }
          texts =
            pages
              .zip(parts)
              .flat_map do |page, (own, quotes)|
                quotes.empty? ? [] : [text(page, own), *quotes.map { |quote| text(page, quote.lines) }]
              end
          shingles = Core::Copies::Shingles.of_all(texts)
          parts.each_with_index.map do |(_, quotes), place|
            if quotes.empty?
              [mains[place], []]
            else
              [shingles.shift, shingles.shift(quotes.size).zip(quotes.map(&:targets))]
            end
          end
        end

        def text(page, numbers) = numbers.map { |number| page.lines[number] }.join("\n")

        def rows(copies, shares)
          others = copies.each_value.map(&:stands).tally
          @pages.each_with_index.map do |page, number|
            copy = copies[number]
            {
              "url_id" => page.id,
              "main_words" => page.main_words,
              "unique_share" => (shares[number] unless page.unshared),
              "copies" => others.fetch(copy ? copy.stands : number, 0)
            }.merge(copy ? weaker(copy) : {})
          end
        end

        def weaker(copy)
          stands = @pages[copy.stands].url
          {
            "copy_of" => stands,
            "similarity" => copy.similarity,
            "reason" => Core::Ladder::Rungs::Distinct.judge_copy(stands, copy.similarity).reason
          }
        end
      end
    end
  end
end

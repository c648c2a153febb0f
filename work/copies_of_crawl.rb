# frozen_string_literal: true

module IronTrellis
  module Work
    # Finds which pages of a crawl are copies of others, and how much of each is its own. Only the shingles of the texts are held in memory.
    class CopiesOfCrawl
      # @param texts [Store::PageTexts]
      def initialize(texts)
        @texts = texts
        @pages = []
        @finder = Core::Copies::Finder.new
      end

      # @return [Array<Hash{String => Object}>] url_id, own_share, copies (others of its cluster), and of a weaker copy copy_of, likeness and reason
      def call
        @boilerplate = boilerplate
        @own = Core::Copies::OwnShare.new(@texts.words)
        @texts.in_order { |rows| read(rows) }
        rows(@finder.copies, @own.shares)
      end

      private

      def boilerplate
        found = Hash.new({}.freeze)
        @texts.each_group_sample do |group, pages|
          found[group] = Core::Copies::Boilerplate.of(pages.map { |page| Core::Copies::MainText.blocks(page["texts"], page["frames"]) })
        end
        found
      end

      def read(rows)
        blocks = rows.map { |row| Core::Copies::MainText.blocks(row["texts"], row["frames"]) }
        mains = rows.zip(blocks).map { |row, some| Core::Copies::MainText.of(some, @boilerplate[row["group"]]) }
        Core::Copies::Shingles.of_all(mains).each_with_index do |shingles, place|
          @pages << rows[place].values_at("url_id", "url")
          @finder.add(shingles, blocks[place].hash)
          @own.add(shingles)
        end
      end

      def rows(copies, shares)
        others = copies.each_value.map(&:stands).tally
        @pages.each_with_index.map do |(id, _), number|
          copy = copies[number]
          {"url_id" => id, "own_share" => shares[number], "copies" => others.fetch(copy ? copy.stands : number, 0)}.merge(copy ? weaker(copy) : {})
        end
      end

      def weaker(copy)
        stands = @pages[copy.stands].last
        {"copy_of" => stands, "likeness" => copy.likeness, "reason" => Core::Ladder::Rungs::Distinct.judge_copy(stands, copy.likeness).reason}
      end
    end
  end
end

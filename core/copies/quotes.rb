# frozen_string_literal: true

module IronTrellis
  module Core
    module Copies
      # What a page may quote of the pages that it links to: an excerpt with a link, a teaser, a whole entry under its
      # heading. Whether it really is theirs shows when their texts are known (UniqueShare).
      module Quotes
        # An anchor by lines (the last one included); `sole` is whether nothing else stands in its line, `heading`
        # whether it heads what follows.
        Anchor = Struct.new(:target, :from, :to, :sole, :heading, keyword_init: true)
        # Some lines that one of the targets may have said first.
        Quote = Struct.new(:lines, :targets)

        # An excerpt has hardly more paragraphs than this above or below its link; an entry under its heading may have
        # any number.
        NEAR = 3

        module_function

        # @param lines [Array<Integer>] numbers of the lines of the page's main text
        # @param anchors [Array<Anchor>] of it
        # @return [Array(Array<Integer>, Array<Quote>)] the lines that it says by itself, and what it may quote
        def of(lines, anchors)
          return [lines, []] if anchors.empty?

          targets = by_line(lines.last.to_i, anchors)
          own, quoted = lines.partition { |line| targets[line].nil? }
          [
            own,
            quoted
              .slice_when { |before, line| line != before + 1 || targets[line] != targets[before] }
              .map { |run| Quote.new(run, targets[run.first]) }
          ]
        end

        # @return [Array<Array, nil>] by line, the targets of links in it, of those around it, and of the heading above
        #   it
        def by_line(last, anchors)
          found = Array.new(last + 1)
          anchors.each { |anchor| mark(found, anchor.from..anchor.to, anchor.target) }
          titles = anchors.select { |anchor| anchor.sole || anchor.heading }
          titles.each_with_index do |anchor, place|
            around(found, anchor, place.zero? ? nil : titles[place - 1], titles[place + 1])
          end
          headings = anchors.select(&:heading)
          headings.each_with_index do |anchor, place|
            mark(found, anchor.to..((headings[place + 1]&.from || last + 1) - 1), anchor.target)
          end
          found
        end

        def around(found, anchor, before, after)
          mark(found, [anchor.from - NEAR, (before&.to || -1) + 1].max...anchor.from, anchor.target)
          mark(found, (anchor.to + 1)..[anchor.to + NEAR, (after&.from || found.size) - 1].min, anchor.target)
        end

        def mark(found, lines, target)
          lines.each do |line|
            next if line >= found.size

            found[line] = found[line] ? found[line] | [target] : [target]
          end
        end
        private_class_method :by_line, :around, :mark
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Work on single pages of a host in portions of a day, the most important pages first. A page is never split, and
      # one that takes more than a day stands alone; what was in a portion stays in it, new pages fill the last.
      class Portions
        HOURS = 8
        # Pages left over where no more portions may be made.
        REST = :rest

        # @param most [Integer, nil] portions; nil for as many as it takes
        # @param hours [#call] gives of the entries of one page how long they take
        def initialize(hours:, most: nil)
          @hours = hours
          @most = most || Float::INFINITY
        end

        # @param entries [Array<Entry>] of one host
        # @param kept [Hash{String => Integer}] by URL, the portion that it was in before
        # @return [Hash{Integer, Symbol => Array<Entry>}] by number of the portion, in each by group; what is too much
        #   by REST
        def call(entries, kept)
          by_url = entries.group_by(&:url)
          urls = by_url.keys.sort_by { |url| [-by_url[url].first.importance.to_f, url.to_s] }
          @filled = Hash.new(0.0)
          old, new = urls.partition { |url| kept.key?(url) && kept[url] <= @most }
          numbers = old.to_h { |url| [url, fill(kept[url], by_url[url])] }
          new.each { |url| numbers[url] = fill(place(by_url[url]), by_url[url]) }
          urls.group_by { |url| numbers[url] }.sort_by { |number, _| (number == REST) ? @most : number }
            .to_h { |number, some| [number, in_groups(some.flat_map { |url| by_url[url] })] }
        end

        private

        def fill(number, entries)
          @filled[number] += @hours.call(entries)
          number
        end

        def place(entries)
          return REST if @filled.key?(REST)

          last = @filled.keys.max || 1
          last += 1 if @filled.key?(last) && @filled[last] + @hours.call(entries) > HOURS
          (last > @most) ? REST : last
        end

        def in_groups(entries) =
          entries.each_with_index.sort_by { |entry, index| [entry.group.to_s, index] }.map(&:first)
      end
    end
  end
end

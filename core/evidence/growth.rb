# frozen_string_literal: true

module IronTrellis
  module Core
    module Evidence
      # Tells when what is in the index without being of use to anybody began to grow, and which group did it.
      module Growth
        # Since when, how many there were before and are now, and the group that grew most with its part.
        Told = Struct.new(:since, :from, :to, :group, :part, keyword_init: true)
        # Less than this is no growth, in pages and as a share of what was there.
        LEAST = 10
        LEAST_SHARE = 0.1

        module_function

        # @param days [Array<Array(Date, Hash{String => Integer})>] useless pages in the index by group, in order of
        #   days
        # @return [Told, nil] nil where it didn't grow
        def of(days)
          totals = days.map { |_, groups| groups.values.sum }
          return if totals.size < 2

          low = totals.rindex(totals.min)
          grown = totals.last - totals[low]
          return if low == totals.size - 1 || grown < LEAST || grown < totals[low] * LEAST_SHARE

          tell(days, totals, low)
        end

        def tell(days, totals, low)
          before, now = days[low].last, days.last.last
          group, part = now.map { |name, pages| [name, pages - before.fetch(name, 0)] }.max_by(&:last)
          Told.new(since: days[low + 1].first, from: totals[low], to: totals.last, group: group, part: part)
        end
        private_class_method :tell
      end
    end
  end
end

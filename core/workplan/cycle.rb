# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # Tasks that wait for each other in a circle.
      module Cycle
        module_function

        # @param tasks [Array<#id, #after>]
        # @return [Array<Object>, nil] ids, each after the one behind it, the first again at the end; nil where there is
        #   none
        def of(tasks)
          after = tasks.to_h { |task| [task.id, task.after] }
          left = bound(after)
          left.empty? ? nil : circle(after, left)
        end

        # What waits for nothing any more is taken away; what is left waits for a circle, or is one.
        #
        # @return [Hash{Object => Integer}] those that are left, by for how many they wait
        def bound(after)
          behind = Hash.new { |found, id| found[id] = [] }
          after.each { |id, ids| ids.uniq.each { |one| behind[one] << id if after.key?(one) } }
          waits = after.transform_values { |ids| ids.uniq.count { |id| after.key?(id) } }
          free = waits.select { |_, count| count.zero? }.keys
          while (id = free.pop)
            waits.delete(id)
            behind[id].each { |one| (waits[one] -= 1).zero? && free << one }
          end
          waits
        end

        def circle(after, left)
          seen = {}
          id = left.keys.first
          until seen.key?(id)
            seen[id] = seen.size
            id = after[id].find { |one| left.key?(one) }
          end
          seen.keys.drop(seen[id]) << id
        end
        private_class_method :bound, :circle
      end
    end
  end
end

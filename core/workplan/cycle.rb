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
          open = after.transform_values(&:dup)
          # What waits for nothing any more is taken away; what is left waits for a circle, or is one.
          loop do
            free = open.select { |_, ids| ids.none? { |id| open.key?(id) } }.keys
            break if free.empty?

            free.each { |id| open.delete(id) }
          end
          open.empty? ? nil : circle(open)
        end

        def circle(open)
          way = [open.keys.first]
          loop do
            one = open[way.last].find { |id| open.key?(id) }
            return way.drop(way.index(one)) << one if way.include?(one)

            way << one
          end
        end
        private_class_method :circle
      end
    end
  end
end

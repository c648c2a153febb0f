# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # How much memory a process and all that it started hold.
      module Memory
        module_function

        # @param pid [Integer]
        # @return [Integer] megabytes, what is shared counted in parts
        def of(pid) = tree(pid).sum { |one| held(one) } / 1024

        # @param pid [Integer]
        # @return [Array<Integer>] it and its descendants
        def tree(pid)
          children = Hash.new { |all, parent| all[parent] = [] }
          Dir.glob("/proc/[0-9]*/stat") do |path|
            own, parent = File.read(path).match(/\A(\d+) \(.*\) \S (\d+)/m)&.captures
            children[parent.to_i] << own.to_i if own
          rescue SystemCallError
            next
          end
          found = [pid]
          found.each { |one| found.concat(children[one]) }
        end

        def held(pid)
          File.read("/proc/#{pid}/smaps_rollup")[/^Pss:\s+(\d+)/, 1].to_i
        rescue SystemCallError
          0
        end
        private_class_method :held
      end
    end
  end
end

# frozen_string_literal: true

require "json"

module IronTrellis
  module Ports
    module Tables
      # Writes JSON Lines: one object a line, UTF-8. The file appears under its name only when it is whole.
      module JsonlFile
        module_function

        # @param path [String]
        # @yieldparam write [#call] takes one Hash
        # @return [void]
        def write(path) = lines(path) { |write| yield ->(object) { write.call("#{JSON.generate(object)}\n") } }

        # @param path [String]
        # @yieldparam write [#call] takes one line with its end
        # @return [void]
        def lines(path)
          part = "#{path}.part"
          File.open(part, "w:UTF-8") { |file| yield ->(line) { file.write(line) } }
          File.rename(part, path)
        end
      end
    end
  end
end

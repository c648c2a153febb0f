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
        def write(path)
          part = "#{path}.part"
          File.open(part, "w:UTF-8") { |file| yield ->(object) { file.puts(JSON.generate(object)) } }
          File.rename(part, path)
        end
      end
    end
  end
end

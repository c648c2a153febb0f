# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Removes "." and ".." from a path (RFC 3986 section 5.2.4; WHATWG URL agrees on absolute paths).
      module DotSegments
        module_function

        # @param path [String] an absolute path, "/a/b/../c"
        # @return [String] "/a/c"
        def remove(path)
          return path unless path.include?("/.")

          last = path.split("/", -1).last
          kept = path.split("/", -1).drop(1).each_with_object([]) do |segment, list|
            case segment
            when "." then next
            when ".." then list.pop
            else list << segment
            end
          end
          kept << "" if last == "." || last == ".."
          "/#{kept.join("/")}"
        end
      end
    end
  end
end

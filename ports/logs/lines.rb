# frozen_string_literal: true

require "zlib"

module IronTrellis
  module Ports
    module Logs
      # The lines of a log file, gzipped or not, one at a time.
      module Lines
        GZIP = "\x1F\x8B".b

        module_function

        # @param path [String]
        # @param most [Integer] bytes of a line
        # @yieldparam text [String, nil] its bytes as UTF-8, which they needn't be; nil for a line that is longer
        # @yieldparam number [Integer]
        # @return [void]
        # @raise [Core::Error::InvalidInput] where a gzipped file is cut or damaged
        def each(path, most, &block)
          ::File.open(path, "rb") do |file|
            zipped = file.read(2) == GZIP
            file.rewind
            zipped ? members(file, most, &block) : lines(file, most, 1, &block)
          end
        rescue Zlib::Error, EOFError
          raise Core::Error::InvalidInput.new(
                  "#{::File.basename(path)} is cut or damaged: it can't be unpacked to its end."
                )
        end

        # A file may be of several members, one behind the other (RFC 1952).
        def members(file, most, &block)
          number = 1
          until file.eof?
            reader = Zlib::GzipReader.new(file)
            number = lines(reader, most, number, &block)
            unused = reader.unused
            reader.finish
            file.pos -= unused.bytesize if unused
          end
        end

        def lines(io, most, number)
          while (text = io.gets("\n", most))
            if text.end_with?("\n") || text.bytesize < most
              yield text.force_encoding(Encoding::UTF_8), number
            else
              pass_over(io, most)
              yield nil, number
            end
            number += 1
          end
          number
        end

        def pass_over(io, most)
          loop do
            text = io.gets("\n", most)
            return if text.nil? || text.end_with?("\n")
          end
        end
        private_class_method :members, :lines, :pass_over
      end
    end
  end
end

# frozen_string_literal: true

module IronTrellis
  module Cli
    # A file that a command is given.
    module InputFile
      # So many lines that can't be used are told singly.
      MOST_TOLD = 20

      module_function

      # @param path [String]
      # @param most [Integer, nil] bytes
      # @return [String] bytes
      # @raise [Ending] where it can't be read, or holds more
      def read(path, most: nil)
        size = ::File.size(path)
        if most && size > most
          raise Ending.new("#{path} holds #{size} bytes; a page may have #{most} at most.", Ending::WRONG_USAGE)
        end

        ::File.binread(path)
      rescue SystemCallError
        raise Ending.new("There is no file #{path} that can be read.", Ending::COULD_NOT)
      end

      # @param path [String]
      # @return [void]
      # @raise [Ending] where there is no file that can be read
      def check(path)
        return if ::File.file?(path) && ::File.readable?(path)

        raise Ending.new("There is no file #{path} that can be read.", Ending::COULD_NOT)
      end

      # @param path [String]
      # @param bad [Array<Ports::Tables::CsvRows::Bad>]
      # @return [void]
      def warn_of(path, bad)
        bad.first(MOST_TOLD).each { |one| warn "#{path}, line #{one.line}: #{one.why}; the line is left out" }
        warn "#{path}: #{bad.size - MOST_TOLD} further lines are left out" if bad.size > MOST_TOLD
      end
    end
  end
end

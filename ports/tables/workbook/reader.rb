# frozen_string_literal: true

require "json"

module IronTrellis
  module Ports
    module Tables
      class Workbook
        # The process that reads a workbook for another: it writes lines of JSON, each a list of rows ([number, cells]),
        # at the end [], or what is wrong in words as a string.
        module Reader
          ROWS = 500
          BYTES = 1_000_000
          SECONDS = 1
          TOO_LARGE = "The workbook needs more memory than it may take. Save it as CSV."

          class << self
            # @param path [String]
            # @param folder [String] where it may be unpacked
            # @param out [IO]
            # @return [void]
            def call(path, folder, out)
              @out = out
              begin_anew
              Sheet.new(path, folder).each { |cells, number| take(cells, number) }
              send_rows if @rows.any?
              say([])
            rescue Core::Error::InvalidInput => error
              say(error.message)
            rescue NoMemoryError, SystemStackError
              say(TOO_LARGE)
            end

            private

            def take(cells, number)
              @rows << [number, cells]
              @bytes += cells.sum(&:bytesize)
              send_rows if @rows.size == ROWS || @bytes > BYTES || now - @since > SECONDS
            end

            def send_rows
              say(@rows)
              begin_anew
            end

            def begin_anew
              @rows = []
              @bytes = 0
              @since = now
            end

            def say(value)
              @out.puts(JSON.generate(value))
              @out.flush
            end

            def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          end
        end
      end
    end
  end
end

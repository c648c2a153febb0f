# frozen_string_literal: true

require "io/wait"
require "json"
require "rbconfig"
require "tmpdir"
require "fileutils"

module IronTrellis
  module Ports
    module Tables
      # The first sheet of a workbook (ISO/IEC 29500), read row by row as DelimitedFile reads lines. What people upload
      # may be made to harm: it is unpacked and read by a process of its own (Reader) with bounds on time and memory,
      # which ends with whoever reads it.
      class Workbook
        START = "PK\x03\x04".b
        LIMITS = {rlimit_as: 700_000_000, rlimit_cpu: 1_800, rlimit_core: 0}.freeze
        # Without a word of it: unpacking a large one takes most of it.
        MOST_SECONDS = 60
        PROGRAM =
          "require #{IronTrellis::ROOT.join("bin/boot").to_s.dump}; Boot.call; " \
            "IronTrellis::Ports::Tables::Workbook::Reader.call(*ARGV, $stdout)"
        # Bundler's own starting takes longer than all else.
        PLAIN = {"RUBYOPT" => nil, "BUNDLE_GEMFILE" => nil}.freeze

        # @return [Array<String>]
        attr_reader :headings

        # @param path [String]
        # @raise [Core::Error::InvalidInput]
        def initialize(path)
          start(path)
          @waiting = []
          _, @headings = following || wrong("The first sheet of the workbook is empty.")
          @headings = @headings.map(&:strip)
        rescue Core::Error
          close
          raise
        end

        # Once.
        #
        # @yieldparam cells [Array<String>]
        # @yieldparam number [Integer] of the row
        # @yieldparam why [nil] a row of a workbook can be read
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def each
          while (row = following)
            yield row.last, row.first, nil
          end
        end

        # Ends the process that reads it.
        #
        # @return [void]
        def close
          return unless @pid

          @ended = true
          @out.close
          Process.kill(:KILL, @pid)
          Process.wait(@pid)
          FileUtils.remove_entry(@folder)
          @pid = nil
        end

        private

        def start(path)
          @folder = Dir.mktmpdir("workbook")
          @out, writer = IO.pipe(Encoding::UTF_8)
          @pid = Process.spawn(
            PLAIN, RbConfig.ruby, "-W0", "-e", PROGRAM, path, @folder,
            out: writer, err: File::NULL, in: File::NULL, **LIMITS
          )
          writer.close
        end

        # @return [Array(Integer, Array<String>), nil]
        def following
          return nil if @ended

          @waiting = next_rows if @waiting.empty?
          @ended = @waiting.empty?
          @waiting.shift
        end

        def next_rows
          wrong("The workbook takes too long to be read. Save it as CSV.") unless @out.wait_readable(MOST_SECONDS)
          line = @out.gets or wrong(Reader::TOO_LARGE)
          found = JSON.parse(line)
          found.is_a?(String) ? wrong(found) : found
        end

        def wrong(message) = raise(Core::Error::InvalidInput.new(message))
      end
    end
  end
end

# frozen_string_literal: true

require "io/wait"
require "open3"

# Runs all test files in three processes at once, each with a database of its own: half of their time they wait
# for browsers, commands, servers and jobs. Each test's line is printed when it is over, and what all come to last, as
# Minitest closes.
module TestRun
  # By database, what its process runs; the last one runs all else. They take about as long as each other.
  PARTS = {
    "iron_trellis_test_browser" => %w[test/browser/ test/reference/],
    "iron_trellis_test_commands" => %w[test/cli/ test/api/ test/fetch/]
  }.freeze
  REST = "iron_trellis_test"
  # No test of ours waits for a disk, and compiling queries costs more than it saves where there is little to read.
  QUICK = "-c jit=off -c synchronous_commit=off"
  # The longest test takes a third of it on a busy machine.
  SILENT_SECONDS = 900
  CLOSING = /\A(\d+) runs, (\d+) assertions, (\d+) failures, (\d+) errors, (\d+) skips/
  LOAD = 'ARGV.shift(ARGV.index("--")).each { |file| require File.expand_path(file) }; ARGV.shift'

  module_function

  # @param files [Array<String>]
  # @return [Boolean] whether all passed
  def call(files)
    runs = files.group_by { |file| PARTS.find { |_, folders| file.start_with?(*folders) }&.first || REST }
    ended = runs.map { |database, some| Thread.new { run(database, some) } }.map(&:value)
    sums = ended.map(&:first).transpose.map(&:sum)
    puts "", format("%d runs, %d assertions, %d failures, %d errors, %d skips", *sums)
    ended.all?(&:last)
  end

  # What waits for something that never comes would hold up all else for ever.
  def lines(output, process)
    while output.wait_readable(SILENT_SECONDS)
      line = output.gets or return
      yield line
    end
    yield "Nothing was heard for #{SILENT_SECONDS / 60} minutes: ended. What it was at stands in the last line above.\n"
    Process.kill("KILL", process.pid)
  end

  # @return [Array(Array<Integer>, Boolean)] the numbers of Minitest's closing line, and whether all passed
  def run(database, files)
    command = [RbConfig.ruby, "-Itest", "-e", LOAD, *files, "--", "--verbose"]
    Open3.popen2e({"TRELLIS_DATABASE" => database, "PGOPTIONS" => QUICK}, *command) do |input, output, process|
      input.close
      numbers = [0] * 5
      lines(output, process) do |line|
        CLOSING.match(line.scrub) { |found| numbers = found.captures.map(&:to_i) } || print(line)
      end
      [numbers, process.value.success? && !numbers.first.zero?]
    end
  end
end

$stdout.sync = true
exit TestRun.call(ARGV)

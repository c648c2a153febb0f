# frozen_string_literal: true

require "open3"

# Runs all test files in two processes at once, each with a database of its own: those that drive a browser or commands
# mostly wait for them. Each test's line is printed when it is over, and what both come to last, as Minitest closes.
module TestRun
  WAITING = %w[test/browser/ test/cli/].freeze
  CLOSING = /\A(\d+) runs, (\d+) assertions, (\d+) failures, (\d+) errors, (\d+) skips/
  LOAD = 'ARGV.shift(ARGV.index("--")).each { |file| require File.expand_path(file) }; ARGV.shift'

  module_function

  # @param files [Array<String>]
  # @return [Boolean] whether all passed
  def call(files)
    waiting, rest = files.partition { |file| file.start_with?(*WAITING) }
    runs = {"iron_trellis_test_browser" => waiting, "iron_trellis_test" => rest}.reject { |_, some| some.empty? }
    ended = runs.map { |database, some| Thread.new { run(database, some) } }.map(&:value)
    sums = ended.map(&:first).transpose.map(&:sum)
    puts "", format("%d runs, %d assertions, %d failures, %d errors, %d skips", *sums)
    ended.all?(&:last)
  end

  # @return [Array(Array<Integer>, Boolean)] the numbers of Minitest's closing line, and whether all passed
  def run(database, files)
    command = [RbConfig.ruby, "-Itest", "-e", LOAD, *files, "--", "--verbose"]
    Open3.popen2e({"TRELLIS_DATABASE" => database}, *command) do |input, output, process|
      input.close
      numbers = [0] * 5
      output.each_line do |line|
        CLOSING.match(line.scrub) { |found| numbers = found.captures.map(&:to_i) } || print(line)
      end
      [numbers, process.value.success? && !numbers.first.zero?]
    end
  end
end

$stdout.sync = true
exit TestRun.call(ARGV)

# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "tmpdir"

# The parts of the demo under one supervisor: when one of them ends, or the supervisor does, all ends with a word.
class TogetherTest < Minitest::Test
  include Workers

  RUN = <<~BASH
    . bin/lib.sh
    start_together "$1" "$2"
    echo "$together_pid"
    stay_together
  BASH

  def test_a_part_that_ends_ends_all_and_is_named
    said, code, lives = together { |_, parts| Process.kill("KILL", parts.last) }

    assert_equal [3, []], [code, lives]
    assert_match(
      /ended by itself: (left|right) (terminated by SIGKILL|exited with code 137).*log is .*Start it again/,
      said
    )
  end

  def test_the_end_of_the_supervisor_ends_all_and_is_told
    said, code, lives = together { |supervisor, _| Process.kill("KILL", supervisor) }

    assert_equal [3, []], [code, lives]
    assert_match(/ended by itself: the supervisor of its parts \(code 137\)/, said)
  end

  private

  # @return [Array(String, Integer, Array<Integer>)] what was said, the exit code, and which parts live still
  def together
    Dir.mktmpdir do |folder|
      procfile = File.join(folder, "Procfile")
      File.write(procfile, %w[left right].map { |name| "#{name}: #{part(File.join(folder, name))}\n" }.join)
      command = ["bash", "-euo", "pipefail", "-c", RUN, "-", procfile, "#{folder}/log"]
      Open3.popen2e(*command, chdir: IronTrellis::ROOT) do |input, output, process|
        input.close
        supervisor = output.gets.to_i
        wait_until(60) { numbers(folder).size == 2 }
        parts = numbers(folder)
        yield supervisor, parts
        said = output.read
        code = process.value.exitstatus
        wait_until(20) { parts.none? { |pid| alive?(pid) } }
        return [said, code, parts.select { |pid| alive?(pid) }]
      end
    end
  end

  def part(file) = "sh -c 'echo $$ > #{file}.new; mv #{file}.new #{file}.pid; exec sleep 300'"

  def numbers(folder) = Dir["#{folder}/*.pid"].sort.map { |file| File.read(file).to_i }
end

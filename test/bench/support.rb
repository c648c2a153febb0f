# frozen_string_literal: true

require "bundler/setup"
require "json"
require "socket"
require "tmpdir"
require "fileutils"

# What the benches share. A bench prints one line of JSON; ratios are taken within one run, as medians.
module Bench
  ROOT = File.expand_path("../..", __dir__)

  module_function

  # @yield the work to time
  # @return [Float] seconds
  def seconds
    began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    yield
    Process.clock_gettime(Process::CLOCK_MONOTONIC) - began
  end

  # @param values [Array<Numeric>]
  # @return [Float]
  def median(values)
    sorted = values.sort
    (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2.0
  end

  # @param pid [Integer, String]
  # @return [Integer] resident kilobytes of a process, 0 where it is gone
  def kilobytes(pid)
    File.read("/proc/#{pid}/status")[/^VmRSS:\s+(\d+)/, 1].to_i
  rescue SystemCallError
    0
  end

  # @return [Integer] a port on loopback that nobody listens on
  def free_port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }

  # @param port [Integer]
  # @return [Boolean] whether something listens there
  def answers?(port)
    TCPSocket.open("127.0.0.1", port).close
    true
  rescue SystemCallError
    false
  end

  # Prints a line of JSON and nothing else on standard output.
  def report(values) = puts(JSON.generate(values))

  def say(text) = warn(text)
end

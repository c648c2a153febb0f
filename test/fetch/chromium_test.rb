# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/raw_server"
require "open3"
require "rbconfig"
require "tmpdir"

# A browser is many processes: they end with whoever started it, however that ends, and its profile goes with them.
class ChromiumTest < Minitest::Test
  ROOT = IronTrellis::ROOT.to_s
  OWNER = <<~RUBY
    require "#{ROOT}/bin/boot"
    Boot.call
    browser = IronTrellis::Fetch::Rendering::Chromium.start
    puts browser.process.pid, browser.process.command.to_a.grep(/user-data-dir/).first[/=(.*)/, 1]
    $stdout.flush
    sleep
  RUBY

  def test_it_ends_with_its_owner
    %w[KILL TERM INT].each do |signal|
      Open3.popen2(RbConfig.ruby, "-W0", "-e", OWNER, err: File::NULL) do |_, out, owner|
        group, profile = out.gets.to_i, out.gets.chomp
        sleep 0.05 until processes(group).size > 3 && File.exist?(profile)
        Process.kill(signal, owner.pid)
        owner.value
        sleep 0.05 until processes(group).empty? && !File.exist?(profile)
      end
    end
  end

  # It renders a page that waits for its script.
  def test_it_ends_with_a_command_that_is_killed
    page = "<!doctype html><script src=/never></script>"
    asked = Queue.new
    server = RawServer.new do |path, socket|
      next asked << path && sleep if path == "/never"

      socket.write("HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nContent-Length: #{page.bytesize}\r\n\r\n#{page}")
    end
    url = "http://127.0.0.1:#{server.port}/"
    folder = Dir.mktmpdir
    command = [File.join(ROOT, "bin/trellis"), "render", url, "--allow-private", "--ignore-robots", "--out", folder]
    Open3.popen2(*command, err: File::NULL) do |_, out, owner|
      asked.pop
      refute_empty owned(owner.pid)
      Process.kill("KILL", owner.pid)
      owner.value
      out.read
      Thread.pass until owned(owner.pid).empty?
    end
  ensure
    server&.close
    FileUtils.remove_entry(folder)
  end

  private

  def processes(group) = stats.filter_map { |pid, _, state, _, of| pid if of == group && state != "Z" }

  # Chromium tells its owner in its environment.
  def owned(pid)
    stats.map(&:first).select do |one|
      File.binread("/proc/#{one}/environ").split("\0").include?("TRELLIS_OWNER=#{pid}")
    rescue SystemCallError
      false
    end
  end

  def stats
    Dir.glob("/proc/[0-9]*/stat").filter_map do |path|
      pid, name, state, parent, group = File.read(path).match(/\A(\d+) \((.*)\) (\S) (\d+) (\d+)/m)&.captures
      [pid.to_i, name, state, parent.to_i, group.to_i] if pid
    rescue SystemCallError
      nil
    end
  end
end

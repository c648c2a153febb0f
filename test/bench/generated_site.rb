# frozen_string_literal: true

require "socket"

module Bench
  # A site of so many pages that is made up as it is asked for (standins/generator), served on loopback.
  class GeneratedSite
    attr_reader :port

    # @param pages [Integer]
    def initialize(pages:)
      @pages = pages
      @port = Bench.free_port
    end

    # @return [String]
    def url = "http://127.0.0.1:#{port}/"

    # @return [GeneratedSite]
    def start
      @pid =
        spawn(
          {"PAGES" => @pages.to_s, "LD_PRELOAD" => Dir["/usr/lib/*/libjemalloc.so.2"].first.to_s},
          "bundle",
          "exec",
          "puma",
          "--quiet",
          "-e",
          "production",
          "-t",
          "1:8",
          "-b",
          "tcp://127.0.0.1:#{port}",
          File.join(ROOT, "standins/generator/config.ru"),
          out: File::NULL
        )
      sleep 0.1 until Bench.answers?(port)
      self
    end

    # @return [void]
    def stop
      Process.kill("TERM", @pid)
      Process.wait(@pid)
    end
  end
end

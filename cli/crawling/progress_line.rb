# frozen_string_literal: true

require "tty-progressbar"

module IronTrellis
  module Cli
    module Crawling
      # The progress of a crawl on standard error: a bar on a terminal, a plain line now and then otherwise.
      class ProgressLine
        PLAIN_SECONDS = 5

        # @param crawl [Store::Crawling::Crawl]
        # @param output [IO]
        def initialize(crawl, output: $stderr)
          @output = output
          @number = crawl.number
          if output.tty?
            @bar =
              TTY::ProgressBar.new(
                "Crawl #{@number} [:bar] :current of :total URLs",
                output: output,
                total: nil,
                width: 40
              )
          end
          @last = 0
        end

        # @param progress [Store::Crawling::Progress]
        # @return [void]
        def show(progress)
          return bar(progress) if @bar
          return if monotonic - @last < PLAIN_SECONDS

          @last = monotonic
          @output.puts "Crawl #{@number}: #{progress.fetched} fetched, #{progress.waiting} waiting"
        end

        # @param progress [Store::Crawling::Progress]
        # @return [void]
        def finish(progress)
          @bar ? bar(progress) : @output.puts("Crawl #{@number}: #{progress.fetched} fetched")
          @bar&.finish
        end

        private

        def bar(progress)
          @bar.update(total: [progress.fetched + progress.waiting, 1].max)
          @bar.current = progress.fetched
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end

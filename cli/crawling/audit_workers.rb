# frozen_string_literal: true

module IronTrellis
  module Cli
    module Crawling
      # The worker processes of one audit: as many as there is work for, each replaced where it dies.
      class AuditWorkers
        # So many URLs must wait for each worker that there is before another is started.
        ENOUGH_WAITING = 10

        # @param crawl [Store::Crawling::Crawl]
        def initialize(crawl)
          @crawl = crawl
          @pids = [start]
        end

        # @param most [Integer] workers
        # @return [void]
        # @raise [Ending] where the crawl fails again and again
        def look_after(most)
          @pids << start if @pids.size < most && @crawl.frontier.waiting?(@pids.size * ENOUGH_WAITING)
          replace_dead
          refuse_failures
          return if @watched_at && Time.now - @watched_at < Work::Crawling::Watch::SECONDS

          Work::Crawling::Watch.watch(@crawl, @watched_at = Time.now)
        end

        # All at once, and each only once.
        #
        # @return [void]
        def end_all
          @pids.each { |pid| tell(pid) }
          @pids.each { |pid| Process.wait(pid) }
          @pids.clear
        rescue Errno::ECHILD
          @pids.clear
        end

        private

        def start = Work::Runtime::Worker.start(@crawl.queue)

        # What a worker that died held goes back to the frontier.
        def replace_dead
          @pids.map! do |pid|
            next pid unless Process.wait(pid, Process::WNOHANG)

            warn "A worker ended unexpectedly; starting another."
            start
          end
        end

        def refuse_failures
          failed = Work::Runtime::Queue.errors(@crawl.queue).find { |job| job["error_count"] > 2 } or return
          raise Ending.new("The crawl failed: #{failed["why"]}", Ending::COULD_NOT)
        end

        def tell(pid)
          Process.kill("TERM", pid)
        rescue Errno::ESRCH
          # It has ended already.
        end
      end
    end
  end
end

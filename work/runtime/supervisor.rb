# frozen_string_literal: true

require "io/wait"

module IronTrellis
  module Work
    module Runtime
      # Keeps one worker process going: starts it again when it dies or has lost the database, and ends it when it hangs
      # (a page that takes the interpreter for itself stops every thread, so only another process can tell).
      class Supervisor
        SIGN_SECONDS = 1
        # A worker that gives no sign for so long is ended.
        SILENCE_SECONDS = 40
        # One that was told to end and hasn't after so long is ended: what it held is taken up again, as after any
        # crash.
        LAST_SECONDS = 4
        # Before it is started again; longer each time it dies soon.
        PAUSES = [0.2, 0.5, 1, 2, 5].freeze
        LONG_LIFE_SECONDS = 30

        # @param parent [Integer, nil] ends when that process isn't its parent any more
        # @yield the work of the child; it must look at its argument now and then and return when that says true
        # @yieldparam ending [#call]
        def initialize(parent: nil, &work)
          @parent = parent
          @work = work
          @ending = false
          @short_lives = 0
        end

        # Runs until it is told to end.
        #
        # @return [void]
        def run
          %w[TERM INT].each { |signal| trap(signal) { end_it } }
          until over?
            began = monotonic
            watch
            break if over?

            warn "A worker ended (#{how(@status)}) and is started again."
            @short_lives = (monotonic - began > LONG_LIFE_SECONDS) ? 0 : @short_lives + 1
            sleep PAUSES.fetch(@short_lives, PAUSES.last)
          end
        end

        private

        def over? = @ending || (@parent && Process.ppid != @parent)

        def end_it
          @ending = true
          Process.kill("TERM", @child) if @child
        rescue Errno::ESRCH
          # It has ended already.
        end

        # Starts a child and stays with it until it is gone.
        def watch
          reader, writer = IO.pipe
          @child = fork { child(reader, writer) }
          writer.close
          heard_at = monotonic
          until gone?
            heard_at = monotonic if heard?(reader)
            told_at ||= monotonic if over?
            kill("TERM") if told_at
            kill("KILL") if monotonic - heard_at > SILENCE_SECONDS || (told_at && monotonic - told_at > LAST_SECONDS)
          end
        ensure
          reader&.close
          @child = nil
        end

        def gone? = (@status = Process.wait2(@child, Process::WNOHANG)&.last)

        def how(status)
          status.signaled? ? "by #{Signal.signame(status.termsig)}" : "with code #{status.exitstatus}"
        end

        def heard?(reader)
          reader.wait_readable(SIGN_SECONDS) && !reader.read_nonblock(100, exception: false).nil?
        end

        def kill(signal)
          Process.kill(signal, @child)
        rescue Errno::ESRCH
          # It has ended already.
        end

        def child(reader, writer)
          reader.close
          ending = false
          %w[TERM INT].each { |signal| trap(signal) { ending = true } }
          give_signs(writer, Process.ppid)
          @work.call(-> { ending })
        rescue => error
          warn "A worker failed: #{error.message.lines.first&.strip} (#{error.class})"
          exit!(1)
        end

        # Without its supervisor a worker must not go on.
        def give_signs(writer, supervisor)
          Thread.new do
            loop do
              exit!(1) if Process.ppid != supervisor
              writer.write_nonblock(".", exception: false)
              sleep SIGN_SECONDS
            end
          rescue SystemCallError
            exit!(1)
          end
        end

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      end
    end
  end
end
